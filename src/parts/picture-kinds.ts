/** Pictures that are taken in, as a chooser of files is told. */
export const PICTURE_KINDS =
  'image/jpeg,image/png,image/tiff,image/webp,image/avif,image/gif,image/bmp,.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.gif,.bmp';
