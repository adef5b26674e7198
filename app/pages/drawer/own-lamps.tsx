import { Button } from 'antd';
import { useState } from 'react';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { inOrder } from '../../../core/document/in-order';
import { freeId } from '../../../core/document/usual-supply';
import { curveDoubt, fitReadings } from '../../../core/part/lamp-readings';
import { formatQuantity } from '../../../core/quantity/format';
import type { Layout } from '../../../core/document/layout';
import type { OwnLamp } from '../../../core/document/drawer-record';

const nextOrder = (records: Readonly<Record<string, { readonly order: number }>>): number =>
  1 + Math.max(0, ...Object.values(records).map((r) => r.order));

/** Lamp types from readings on the bench, each with its fitted curve. */
export function OwnLamps({ layout }: { readonly layout: Layout }) {
  const edit = useLayoutStore((s) => s.edit);
  const own = inOrder(layout.drawer.lamps);
  return (
    <section className="own-lamps">
      <h2>Lamps from readings</h2>
      <p className="hint">
        Volts across a lamp and the current through it, at two currents or more: the curve is fitted to them.
      </p>
      {own.map((lamp) => (
        <OwnLampCard key={lamp.id} id={lamp.id} lamp={lamp} used={isUsed(layout, lamp.id)} />
      ))}
      <Button
        onClick={() =>
          edit('A lamp from readings', (draft) => {
            const { lamps } = draft.drawer;
            lamps[freeId(lamps, 'lamp')] = {
              order: nextOrder(lamps),
              name: `My lamp ${Object.keys(lamps).length + 1}`,
              readings: [
                { volts: 2.7, amps: 0.001 },
                { volts: 3, amps: 0.02 },
              ],
              greatestAmps: 0.02,
              lumens: 1.5,
              kelvin: 2800,
            };
          })
        }
      >
        Another lamp
      </Button>
    </section>
  );
}

/** What the file takes of readings; the fields say so. */
const MOST_READINGS = 40;
const MOST_AMPS = 2;
const MOST_VOLTS = 60;

const isUsed = (layout: Layout, id: string): boolean =>
  [
    ...Object.values(layout.jobs).flatMap((j) => Object.values<LampParts>(j.lamps)),
    ...Object.values(layout.lampSets).flatMap((s): LampParts[] => s.lamps),
  ].some((l) => l.part === `own:${id}` || l.secondPart === `own:${id}`);

/** The lamp types a lamp names. */
interface LampParts {
  readonly part: string;
  readonly secondPart?: string | null;
}

/** A reading to begin the next one with: a little further than the last; null when there can be no more. */
function nextReading(readings: OwnLamp['readings']): OwnLamp['readings'][number] | null {
  const last = readings[readings.length - 1];
  const amps = Number((last.amps * 1.5).toPrecision(3));
  const volts = Number((last.volts + 0.1).toFixed(2));
  return readings.length < MOST_READINGS && amps <= MOST_AMPS && volts <= MOST_VOLTS ? { volts, amps } : null;
}

interface OwnLampCardProps {
  readonly id: string;
  readonly lamp: OwnLamp;
  readonly used: boolean;
}

function OwnLampCard({ id, lamp, used }: OwnLampCardProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [refusal, setRefusal] = useState<string | null>(null);
  const curve = fitReadings(lamp.readings);
  /** Readings that cannot be fitted are refused here, and what was there stays. */
  const put = (readings: OwnLamp['readings']): void => {
    try {
      const doubt = curveDoubt(fitReadings(readings));
      if (doubt !== null) throw new RangeError(doubt);
      setRefusal(null);
      edit('Readings', (draft) => void (draft.drawer.lamps[id].readings = readings));
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
    }
  };
  const next = nextReading(lamp.readings);
  const change = (i: number, figure: Partial<OwnLamp['readings'][number]>): void =>
    put(lamp.readings.map((r, k) => (k === i ? { ...r, ...figure } : r)));
  return (
    <article className="own-lamp">
      <TextField
        label="Called"
        text={lamp.name}
        most={80}
        required
        onCommit={(name) => edit('Name of a lamp', (draft) => void (draft.drawer.lamps[id].name = name))}
      />
      {lamp.readings.map((r, i) => (
        <div className="two-fields" key={`${i} of ${lamp.readings.length}`}>
          <NumberField
            label={`Volts, reading ${i + 1}`}
            unit="volt"
            figure={r.volts}
            limits={{ least: 0.1, most: MOST_VOLTS, range: '0.1 V to 60 V' }}
            onCommit={(volts) => change(i, { volts })}
          />
          <NumberField
            label={`Current, reading ${i + 1}`}
            unit="amp"
            figure={r.amps}
            limits={{ least: 1e-6, most: MOST_AMPS, range: '1 µA to 2 A' }}
            onCommit={(amps) => change(i, { amps })}
          />
        </div>
      ))}
      {refusal && (
        <p className="field-refusal" role="alert">
          {refusal}. What was there stays in force.
        </p>
      )}
      <p className="hint">
        {formatQuantity(curve.forwardVolts, 'volt')} at {formatQuantity(curve.testAmps, 'amp')}, misses the
        readings by {formatQuantity(curve.errorVolts, 'volt', { significant: 2 })}.
      </p>
      <div className="two-fields">
        <NumberField
          label="At most"
          unit="amp"
          figure={lamp.greatestAmps}
          limits={{ least: 1e-4, most: 2, range: '0.1 mA to 2 A' }}
          onCommit={(amps) =>
            edit('Most current', (draft) => void (draft.drawer.lamps[id].greatestAmps = amps))
          }
        />
        <NumberField
          label="Colour temperature"
          unit="kelvin"
          figure={lamp.kelvin}
          limits={{ least: 1000, most: 15_000, range: '1000 K to 15000 K' }}
          onCommit={(kelvin) =>
            edit('Colour temperature', (draft) => void (draft.drawer.lamps[id].kelvin = kelvin))
          }
        />
      </div>
      <div className="button-row">
        <Button
          size="small"
          disabled={next === null}
          title={next === null ? 'The readings go as far as they may' : undefined}
          onClick={() => next && put([...lamp.readings, next])}
        >
          Another reading
        </Button>
        {lamp.readings.length > 2 && (
          <Button size="small" onClick={() => put(lamp.readings.slice(0, -1))}>
            One fewer
          </Button>
        )}
        <Button
          size="small"
          disabled={used}
          title={used ? 'A coach uses it' : undefined}
          onClick={() =>
            edit('Lamp out of the drawer', (draft) => void Reflect.deleteProperty(draft.drawer.lamps, id))
          }
        >
          Take out
        </Button>
      </div>
    </article>
  );
}
