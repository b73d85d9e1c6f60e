import { setOrder, setSheet } from '../../../core/job/edits/pieces';
import { MOST_ORDERED, NO_ORDER } from '../../../core/job/order';
import { type SheetMade, TURNINGS } from '../../../core/job/sheet';
import { PRESS_SHEETS } from '../../../core/trade/press-sheets';
import type { ShopSpec } from '../../../core/trade/schema';
import { echoUnit } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';
import { ByHand } from './ByHand';
import { SharedWith } from './SharedWith';

const OWN = 'own size';
const SIDE = { least: 72, most: 8000 };
const TURNING_WORDS = {
  'one side': 'One side only',
  sheetwise: 'Sheetwise: a form for each side',
  'work-and-turn': 'Work-and-turn: one form, left for right',
  'work-and-tumble': 'Work-and-tumble: one form, top for bottom',
} as const;

/** Sheets beyond those ordered: as the shop asks for them, or a share by hand. */
function OversFields({
  made: { overs },
  asked,
  onChange,
}: {
  made: SheetMade;
  asked: ShopSpec['overs'];
  onChange(overs: number | undefined): void;
}) {
  const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;
  return (
    <>
      <Choice
        label="Overs"
        value={overs === undefined ? 'shop' : 'own'}
        options={[
          ['shop', 'Overs as the shop asks'],
          ['own', 'Overs by percentage'],
        ]}
        onChange={(to) => onChange(to === 'shop' ? undefined : 5)}
      />
      {overs === undefined ? (
        <p className="quiet text-[13px]">
          {asked
            ? `${asked.makeReady} sheets for each form, ${percent(asked.pass)} a pass, ${percent(asked.finishing)} a finishing step`
            : '5 %: the shop does not say'}
        </p>
      ) : (
        <NumberField label="Overs, %" value={overs} least={0} most={100} onChange={onChange} />
      )}
    </>
  );
}

/** What a sheet is, and how pieces may lie on it. */
export function SheetFields({ made }: { made: SheetMade }) {
  const { job, sheet: piece, shop, unit } = useBench();
  const put = (part: Partial<SheetMade>): void =>
    act('Sheet', (now) => setSheet(now, piece.id, { ...made, taken: 0, ...part }));
  const share = (also: SheetMade['also']): void => {
    const { hand, ...rest } = made;
    // Blocks that are laid by hand go by the order of what shares the sheet.
    const same = made.also.length === also.length && also.every(({ piece: id }, i) => id === made.also[i]!.piece);
    act('Sheet', (now) => setSheet(now, piece.id, { ...rest, ...(same && hand ? { hand } : {}), taken: 0, also }));
  };
  const putOvers = (overs: number | undefined): void => {
    const { overs: _, ...rest } = made;
    act('Overs', (now) => setSheet(now, piece.id, { ...rest, taken: 0, ...(overs === undefined ? {} : { overs }) }));
  };
  const order = piece.order ?? NO_ORDER;
  const known = PRESS_SHEETS.some(({ name }) => name === made.press.name);
  const length = (label: string, value: number, onChange: (points: number) => void, least = 0, most = 300) => (
    <LengthField
      label={label}
      value={value}
      unit={unit}
      echo={echoUnit(unit)}
      least={least}
      most={most}
      onChange={onChange}
    />
  );
  return (
    <div className="grid gap-4">
      <section className="grid gap-2">
        <h2 className="heading">Quantity</h2>
        <NumberField
          label={piece.name}
          name="Quantity"
          value={order.quantity}
          least={1}
          most={MOST_ORDERED}
          onChange={(quantity) =>
            act('Order', (now) => setOrder(now, piece.id, { ...order, quantity: Math.round(quantity) }))
          }
        />
        <SharedWith made={made} job={job} main={piece.id} onChange={share} />
      </section>
      <FacesOn made={made} put={put} />
      <section className="grid gap-2">
        <h2 className="heading">Sheet</h2>
        <Choice
          label="Press sheet"
          value={known ? made.press.name : OWN}
          options={[...PRESS_SHEETS.map(({ name }) => name), OWN]}
          onChange={(name) => {
            const found = PRESS_SHEETS.find((each) => each.name === name);
            put({
              press: found
                ? { name: found.name, width: found.width, height: found.height }
                : { ...made.press, name: 'Own sheet' },
            });
          }}
        />
        <div className="grid grid-cols-2 gap-2">
          {!known && (
            <>
              {length(
                'Width',
                made.press.width,
                (width) => put({ press: { ...made.press, width } }),
                SIDE.least,
                SIDE.most,
              )}
              {length(
                'Height',
                made.press.height,
                (height) => put({ press: { ...made.press, height } }),
                SIDE.least,
                SIDE.most,
              )}
            </>
          )}
          {length('Gripper', made.gripper, (gripper) => put({ gripper }))}
          {length('Margin', made.unprintable, (unprintable) => put({ unprintable }))}
        </div>
        <Choice
          label="Work style"
          value={made.turning}
          options={TURNINGS.map((turning) => [turning, TURNING_WORDS[turning]] as const)}
          onChange={(turning) => put({ turning })}
        />
        <OversFields made={made} asked={shop.overs} onChange={putOvers} />
      </section>
      <section className="grid gap-2">
        <h2 className="heading">Gutter</h2>
        <Choice
          label="Gutter"
          value={typeof made.gutter === 'number' ? 'exact' : made.gutter}
          options={[
            ['twice the bleed', 'Twice the bleed'],
            ['none', 'None: neighbours share a cut'],
            ['exact', 'An exact width'],
          ]}
          onChange={(to) => put({ gutter: to === 'exact' ? 14.17 : to })}
        />
        {typeof made.gutter === 'number' && length('Gutter width', made.gutter, (gutter) => put({ gutter }), 0, 2000)}
        <Tick checked={made.bleed === 'kept'} onChange={(on) => put({ bleed: on ? 'kept' : 'trimmed' })}>
          Keep the bleed
        </Tick>
      </section>
      {made.hand ? (
        <ByHand made={made} hand={made.hand} length={length} />
      ) : (
        <section className="grid gap-2">
          <h2 className="heading">How they lie</h2>
          <Choice
            label="Way"
            value={made.way}
            options={[
              ['any', 'Any way, mixed too'],
              ['upright', 'All upright'],
              ['turned', 'All turned'],
            ]}
            onChange={(way) => put({ way })}
          />
          <Choice
            label="Grain of the sheet"
            value={made.grain}
            options={[
              ['long', 'Grain along the sheet’s long edge'],
              ['short', 'Grain along the sheet’s short edge'],
            ]}
            onChange={(grain) => put({ grain })}
          />
          <Choice
            label="Grain of the piece"
            value={made.along}
            options={[
              ['any', 'Any grain in the piece'],
              ['long side', 'Grain along its long side'],
              ['short side', 'Grain along its short side'],
            ]}
            onChange={(along) => put({ along })}
          />
        </section>
      )}
    </div>
  );
}

const NOTHING = 'nothing';

/** Which faces meet, for a piece with more than two. */
function FacesOn({ made, put }: { made: SheetMade; put(part: Partial<SheetMade>): void }) {
  const { sheet: piece } = useBench();
  if (piece.faces.length < 3) return null;
  const [front = 0, back] = made.faces ?? [0, 1];
  const options = piece.faces.map(({ name }, i) => [`${i}`, name] as const);
  const faces = (one: number, other: string): number[] => (other === NOTHING ? [one] : [one, Number(other)]);
  return (
    <section className="grid gap-2">
      <h2 className="heading">Sides</h2>
      <Choice
        label="On the front"
        value={`${front}`}
        options={options}
        onChange={(to) => put({ faces: faces(Number(to), back === undefined ? NOTHING : `${back}`) })}
      />
      <Choice
        label="On the back"
        value={back === undefined ? NOTHING : `${back}`}
        options={[...options, [NOTHING, 'Nothing']]}
        onChange={(to) => put({ faces: faces(front, to) })}
      />
    </section>
  );
}
