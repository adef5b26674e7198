import { useState } from 'react';
import { supplyFor, type SupplyWish } from '../../../core/study/begin-scenery';
import { inOrder } from '../../../core/document/in-order';
import { supplyKind, type Supply } from '../../../core/supply';
import { busAlong, trackAlong, putFed, putPlace, rowOfBoards, type Spot } from '../../../core/feed/begin';
import { Button } from 'antd';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';
import type { NodePart } from '../../../core/document/network-record';
import type { Chosen } from './plan-drawing';

interface AddThingsProps {
  readonly layout: Layout;
  readonly onChoose: (chosen: Chosen) => void;
}

/** What may be put on the plan besides jobs and supplies. */
const things: readonly { readonly name: string; readonly is: NodePart; readonly fed: boolean }[] = [
  { name: 'Lamps', is: { kind: 'lamps', count: 6, part: 'white-warm', ohms: 820 }, fed: true },
  { name: 'Terminal strip', is: { kind: 'strip', ways: 8, ratedAmps: 8, contactOhms: 0.004 }, fed: true },
  { name: 'Joint', is: { kind: 'tap' }, fed: true },
  {
    name: 'Step-down',
    is: { kind: 'converter', outVolts: 5, efficiency: 0.88, limitAmps: 2, headroomVolts: 2 },
    fed: true,
  },
  {
    name: 'Load by its figures',
    is: { kind: 'typed', volts: 12, amps: 0.1, behaves: 'resistor' },
    fed: true,
  },
];

/** Supplies as they are commonly bought, where the layout has none yet (common practice, no source). */
const newSupplies: readonly { readonly name: string; readonly wish: SupplyWish }[] = [
  ...[12, 24].map((volts) => ({
    name: `a new unit, ${volts} V DC, 3 A`,
    wish: {
      kind: 'layout-bus' as const,
      figures: { name: `Unit ${volts} V`, volts, highestVolts: volts, limitAmps: 3 },
    },
  })),
  { name: 'a new booster, DCC', wish: { kind: 'dcc-track', figures: { name: 'Booster' } } },
];
const NEW = 'new:';
const OWN = 'supply:';

/** The supply that a choice stands for, made where it is new. @returns its id */
function chosenSupply(draft: Parameters<typeof putPlace>[0], choice: string): string {
  return choice.startsWith(NEW)
    ? supplyFor(draft, newSupplies[Number(choice.slice(NEW.length))].wish)
    : choice.slice(OWN.length);
}

/** Where the next thing is put: a step on from the last, on the boards. */
function nextSpot({ boards, network }: Layout): Spot {
  const [first] = inOrder(boards);
  const count = Object.keys(network.nodes).length;
  const left = first?.xMillimetres ?? 0;
  const top = first?.yMillimetres ?? 0;
  return { x: left + 120 + ((count * 140) % 800), y: top + 90 + 60 * (Math.floor((count * 140) / 800) % 4) };
}

/** Boards, supplies, jobs and the rest, put on the plan; what is put is fed from the nearest strip of its supply. */
export function AddThings({ layout, onChoose }: AddThingsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [row, setRow] = useState({ count: 4, width: 1000, depth: 450 });
  const [busOf, setBusOf] = useState<string | null>(null);
  const supplies = inOrder(layout.supplies).filter((s) => s.kind !== 'cell');
  const placed = new Set(
    Object.values(layout.network.nodes).flatMap(({ is }) => (is.kind === 'job' ? [is.jobId] : [])),
  );
  const jobs = inOrder(layout.jobs).filter((j) => !placed.has(j.id));
  const put = (label: string, make: (draft: Parameters<typeof putPlace>[0], spot: Spot) => string): void => {
    let id = '';
    edit(label, (draft) => void (id = make(draft, nextSpot(layout))));
    if (id !== '') onChoose({ kind: 'place', id });
  };
  const empty = Object.keys(layout.boards).length === 0;
  const ownOf = (choice: string): Supply | undefined =>
    choice.startsWith(OWN) ? supplies.find((s) => s.id === choice.slice(OWN.length)) : undefined;
  // A supply that was chosen may have been undone since.
  const isThere = busOf !== null && (busOf.startsWith(NEW) || ownOf(busOf) !== undefined);
  const bus = isThere ? busOf : supplies[0] ? OWN + supplies[0].id : `${NEW}0`;
  const onRails = (choice: string): boolean => {
    const own = ownOf(choice);
    return own !== undefined && supplyKind(own).onTrack;
  };
  const supplyChoices = [
    ...supplies.map((s) => ({ value: OWN + s.id, label: s.name })),
    ...newSupplies.map((s, k) => ({ value: NEW + String(k), label: s.name })),
  ];
  return (
    <div className="choices">
      <More label="A row of boards, a bus along them" open={empty}>
        <div className="two-fields">
          <CountField
            label="Boards"
            count={row.count}
            least={1}
            most={20}
            onCommit={(count) => setRow({ ...row, count })}
          />
          <NumberField
            label="each long"
            unit="millimetre"
            figure={row.width}
            limits={{ least: 100, most: 5000, range: '100 mm to 5 m' }}
            onCommit={(width) => setRow({ ...row, width })}
          />
          <NumberField
            label="and deep"
            unit="millimetre"
            figure={row.depth}
            limits={{ least: 100, most: 3000, range: '100 mm to 3 m' }}
            onCommit={(depth) => setRow({ ...row, depth })}
          />
          <Button
            type={empty ? 'primary' : 'default'}
            onClick={() =>
              edit(`${row.count} boards in a row`, (draft) =>
                rowOfBoards(draft, row.count, row.width, row.depth),
              )
            }
          >
            Lay the row
          </Button>
          <SelectField<string> label="Bus of" value={bus} options={supplyChoices} onChange={setBusOf} />
          <Button
            disabled={empty}
            onClick={() =>
              edit('A bus along the boards', (draft) => busAlong(draft, chosenSupply(draft, bus)))
            }
          >
            Lay the bus
          </Button>
          <Button
            disabled={empty || !onRails(bus)}
            onClick={() =>
              edit('A track along the boards', (draft) => trackAlong(draft, chosenSupply(draft, bus)))
            }
          >
            Lay its track
          </Button>
        </div>
      </More>
      {jobs.length > 0 && (
        <SelectField<string>
          key={jobs.length}
          label="Put a job on the plan"
          value={undefined}
          placeholder="which"
          options={jobs.map((j) => ({ value: j.id, label: j.name }))}
          onChange={(jobId) => {
            const { name, supplyId } = layout.jobs[jobId];
            put(`${name} on the plan`, (draft, spot) =>
              putFed(draft, name, spot, { kind: 'job', jobId }, supplyId),
            );
          }}
        />
      )}
      <SelectField<string>
        key={`${Object.keys(layout.network.nodes).length} things`}
        label="Put something else on it"
        value={undefined}
        placeholder="which"
        options={[
          ...things.map((t, k) => ({ value: String(k), label: t.name })),
          ...supplyChoices.map((s) => ({ ...s, label: `Supply: ${s.label}` })),
        ]}
        onChange={(which) => {
          if (which.startsWith(OWN) || which.startsWith(NEW)) {
            put('A supply on the plan', (draft, spot) => {
              const supplyId = chosenSupply(draft, which);
              return putPlace(draft, draft.supplies[supplyId].name, spot, { kind: 'supply', supplyId });
            });
            return;
          }
          const { name, is } = things[Number(which)];
          put(`${name} on the plan`, (draft, spot) => putFed(draft, name, spot, { ...is }, null));
        }}
      />
    </div>
  );
}
