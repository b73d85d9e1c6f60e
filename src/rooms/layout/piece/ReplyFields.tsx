import type { Post } from '../../../../core/job/kinds';
import { REPLIES, REPLY_KINDS, type Reply } from '../../../../core/trade/reply-mail';
import { Pick } from '../../../parts/Pick';
import { Typed } from '../../../parts/Typed';

const KINDS = [['', 'No'], ...REPLY_KINDS.map((kind) => [kind, REPLIES[kind].name] as const)] as const;

/** Whether it is mail that comes back, and by whose permit. */
export function ReplyFields({
  reply,
  onChange,
}: {
  reply: Post['reply'];
  onChange(reply: NonNullable<Post['reply']> | undefined): void;
}) {
  return (
    <>
      <Pick
        label="Comes back as a reply"
        value={reply?.kind ?? ''}
        options={KINDS}
        onChange={(kind) => onChange(kind ? { permit: reply?.permit ?? '', kind: kind as Reply } : undefined)}
      />
      {reply && REPLIES[reply.kind].isPaid && (
        <label className="grid gap-1 text-[14px]">
          Permit number, town and state
          <Typed
            className="input input-sm w-full"
            said={reply.permit}
            maxLength={60}
            onTake={(typed) => onChange({ ...reply, permit: typed.trim() })}
          />
          <span className="quiet">As your post office gave it: 123 LITTLE FALLS NY</span>
        </label>
      )}
    </>
  );
}
