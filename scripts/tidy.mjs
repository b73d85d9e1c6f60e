// Runs the command line, bundled anew where its sources are newer.
import { bundle, bundleCli } from './cli-bundle.mjs';

await bundleCli();
await import(bundle);
