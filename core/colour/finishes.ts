/**
 * Plates that lay no ink: varnish, foil, white under colour, and what is cut, creased or pressed. Files name them as spots; what
 * each is goes by its name, in the languages that shops here write (common practice; ISO 19593-1 has the kinds).
 */
const FINISHES =
  /\b(varnish|lacquer|lack|uv|gloss coat|matt? coat|foil|folie|hot ?stamp\w*|heißfolie|emboss\w*|deboss\w*|prägung|die ?(cut|line)?|stanz\w*|cut ?contour|kiss ?cut|creas\w*|scor(e|ing)|rill\w*|perf(oration)?|opaque white|white|deckweiß|weiß|blanc|blanco)\b/iu;

/** Whether a spot of that name is a finish rather than an ink: it wets no paper and is no colour. */
export const isFinish = (plate: string): boolean => FINISHES.test(plate);
