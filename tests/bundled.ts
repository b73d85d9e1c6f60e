import { bundleCli } from '../scripts/cli-bundle.mjs';

export const setup = bundleCli;
