import { Dialog } from '../../parts/Dialog';
import { KEYS } from './use-edit-keys';

export function KeysHelp({ onClose }: { onClose(): void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
        {KEYS.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt className="whitespace-nowrap">
              <kbd className="key">{keys}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
