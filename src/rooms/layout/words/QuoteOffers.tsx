import { useQuoting } from './quoting';

/** The details on offer while one is being quoted. */
export function QuoteOffers() {
  const { offers, at, take } = useQuoting();
  if (!take) return null;
  return (
    <div
      role="listbox"
      aria-label="Details to quote"
      className="border-t border-base-300 bg-base-100 text-base-content"
    >
      {offers.map((offer, i) => (
        <button
          key={offer.quote}
          type="button"
          role="option"
          aria-selected={i === at}
          className={`flex w-full cursor-pointer items-baseline justify-between gap-3 px-3 py-1 text-left text-[14px] ${i === at ? 'bg-base-300' : ''}`}
          // The caret stays where it is.
          onMouseDown={(event) => {
            event.preventDefault();
            take(offer);
          }}
        >
          <span className="shrink-0">{offer.name}</span>
          <span className="quiet truncate">{offer.says || 'empty'}</span>
        </button>
      ))}
    </div>
  );
}
