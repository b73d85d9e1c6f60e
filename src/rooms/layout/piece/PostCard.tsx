import { nanoid } from 'nanoid';
import { newPost, setPost, setThickness } from '../../../../core/job/edits/kinds';
import { facePanels } from '../../../../core/job/folds-of';
import type { Post } from '../../../../core/job/kinds';
import { panelOf, postedOf } from '../../../../core/job/posted';
import type { Piece } from '../../../../core/job/schema';
import { POST_RULES, postRulesOf } from '../../../../core/trade/post';
import { postVerdict } from '../../../../core/trade/postage';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { Pick } from '../../../parts/Pick';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { ReplyFields } from './ReplyFields';

const newId = (): string => nanoid(10);

export const RULE_CHOICES = [['', 'No rules'], ...POST_RULES.map(({ id, name }) => [id, name] as const)] as const;

/** The side of a postcard that is posted: whose rules, what is drawn on it, and what they say of its size. */
export function PostCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const { post } = piece;
  const rules = postRulesOf(post?.rules);
  const face = piece.faces.find(({ id }) => id === post?.face);
  const verdict = rules && face && postVerdict(rules, postedOf(piece, face), piece.thickness);
  const panels = face ? facePanels(piece, face) : [];
  const isWrittenOn = piece.kind === 'postcard';
  const put = (to: Partial<Post>): void =>
    act('Address side', (job) => setPost(job, piece.id, post && { ...post, ...to }, newId));
  const make = (to: Post): void => act('Address side', (job) => setPost(job, piece.id, to, newId));
  const choose = (id: string): void =>
    act('Address side', (job) => {
      // What is folded is addressed on its outside.
      const face = post?.face ?? (piece.fold ? piece.faces[0]! : piece.faces.at(-1)!).id;
      return setPost(job, piece.id, id ? { ...newPost(piece.unit), ...post, rules: id, face } : undefined, newId);
    });
  return (
    <section aria-label="Address side" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Address side</h2>
      <Pick label="Postal rules" value={post?.rules ?? ''} options={RULE_CHOICES} onChange={choose} />
      {post && (
        <>
          <Pick
            label="On"
            value={post.face}
            options={piece.faces.map(({ id, name }) => [id, name] as const)}
            onChange={(face) => put({ face })}
          />
          {panels.length > 0 && (
            <Pick
              label="Addressed"
              value={String(panelOf(piece, panels))}
              options={panels.map(({ name }, i) => [String(i), name] as const)}
              onChange={(panel) => put({ panel: Number(panel) })}
            />
          )}
          {post.rules === 'us' && isWrittenOn && (
            <ReplyFields
              reply={post.reply}
              onChange={(reply) => {
                const { reply: _, ...rest } = post;
                make({ ...rest, ...(reply ? { reply } : {}) });
              }}
            />
          )}
          {isWrittenOn && !post.reply && <WrittenOn post={post} put={put} />}
          <LengthField
            label="Thickness of the stock"
            unit={unit}
            echo={echo}
            value={piece.thickness ?? 0}
            least={0}
            most={roundIn(unit, 10, 3 / 8)}
            onChange={(p) => act('Thickness', (job) => setThickness(job, piece.id, p > 0.1 ? p : undefined))}
          />
          {verdict && (
            <p className="text-[14px]" role="status">
              {verdict.against.length === 0
                ? `It goes at ${verdict.postage}.`
                : `${verdict.against.map(({ says }) => says).join('; ')}.`}
            </p>
          )}
        </>
      )}
    </section>
  );
}

/** What is drawn on a card for its sender to write in. */
function WrittenOn({ post, put }: { post: Post; put(to: Partial<Post>): void }) {
  const { unit, echo } = useBench();
  return (
    <>
      <NumberField
        label="Address lines"
        value={post.lines.count}
        least={0}
        most={8}
        onChange={(count) => put({ lines: { ...post.lines, count: Math.round(count) } })}
      />
      <LengthField
        label="Apart"
        unit={unit}
        echo={echo}
        value={post.lines.spacing}
        least={roundIn(unit, 3, 1 / 8)}
        most={roundIn(unit, 35, 1 + 3 / 8)}
        onChange={(spacing) => put({ lines: { ...post.lines, spacing } })}
      />
      <LengthField
        label="Weight of the lines"
        unit="pt"
        echo="mm"
        value={post.lines.weight}
        least={0.1}
        most={4}
        onChange={(weight) => put({ lines: { ...post.lines, weight } })}
      />
      <Tick checked={post.stamp} onChange={(stamp) => put({ stamp })}>
        A box for the stamp
      </Tick>
      <Tick checked={post.divider} onChange={(divider) => put({ divider })}>
        A line between message and address
      </Tick>
    </>
  );
}
