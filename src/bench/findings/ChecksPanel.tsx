import { useState } from 'react';
import { ALL_CHECKS } from '../../../core/checks';
import { sourceWords } from '../../../core/trade/source-words';
import { Dialog } from '../../parts/Dialog';
import { Scrolls } from '../../parts/Scrolls';
import { useBench, useFound } from '../bench';

const SAYS = { stop: 'Error', warn: 'Warning', advise: 'Advice', off: 'Not checked' } as const;
const SORTED = [...ALL_CHECKS].sort((a, b) => a.name.localeCompare(b.name, 'en'));

/** Every check there is, with its reason and where that comes from; found by any word of it. */
export function ChecksPanel({ onClose }: { onClose(): void }) {
  const { shop } = useBench();
  const { findings } = useFound();
  const [wanted, setWanted] = useState('');
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = SORTED.filter(({ id, name, protects, source }) => {
    const text = `${id} ${name} ${protects} ${sourceWords(source)}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  return (
    <Dialog wide title={`${ALL_CHECKS.length} checks`} onClose={onClose}>
      <input
        type="search"
        className="input input-sm mb-2 w-full"
        aria-label="Find a check"
        placeholder="bleed, fold, tint…"
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Scrolls label="All of them" className="max-h-[64vh]">
        <ul className="grid gap-0" aria-label="Checks">
          {shown.map(({ id, name, protects, source, severity }) => {
            const count = findings.filter(({ check }) => check === id).length;
            return (
              <li key={id} className="grid grid-cols-[1fr_110px] gap-3 border-b border-base-300 py-1.5">
                <span>
                  <b className="font-semibold">{name}</b>
                  {count > 0 && (
                    <span className="ml-2 rounded-xs bg-warning px-1.5 text-warning-content">{count} here</span>
                  )}
                  <span className="block text-[14px]">{protects}</span>
                  <span className="quiet block text-[13px]">{sourceWords(source)}</span>
                </span>
                <span className="quiet text-right text-[13px]">{SAYS[shop.asks[id] ?? severity]}</span>
              </li>
            );
          })}
        </ul>
      </Scrolls>
      {shown.length === 0 && <p className="quiet">No check has these words.</p>}
    </Dialog>
  );
}
