import { type PostRules, postRulesSchema } from '../data-schema';
import { FILES } from './files';

/** The rule sets of post that ship, one file each, by name; see docs/post-rules.md for adding one. */
export const POST_RULES: readonly PostRules[] = FILES.map((rules) => postRulesSchema.parse(rules)).sort((a, b) =>
  a.name < b.name ? -1 : 1,
);

export const postRulesOf = (id: string | undefined): PostRules | undefined =>
  POST_RULES.find((rules) => rules.id === id);
