import { Button } from 'antd';
import { useState } from 'react';
import { CheckField } from '../../fields/check-field';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { inOrder } from '../../../core/document/in-order';
import { freeId } from '../../../core/document/usual-supply';
import { curveDoubt, fitReadings } from '../../../core/part/lamp-readings';
import { formatQuantity } from '../../../core/quantity/format';
import type { Layout } from '../../../core/document/layout';
import { lampColours, printedLamp, type LampColourName } from '../../../core/part/printed-lamp';
import { usualOwnLamp, type OwnLamp } from '../../../core/document/drawer-record';
import { SelectField } from '../../fields/select-field';

/** What no meter of a bench tells, in volts. */
const LEAST_MISS_VOLTS = 1e-4;

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
              ...usualOwnLamp,
            };
          })
        }
      >
        Another lamp
      </Button>
      <FromTheBag />
    </section>
  );
}

const colourOptions = Object.entries(lampColours).map(([id, c]) => ({
  value: id as LampColourName,
  label: c.name,
}));
/** Cut marks of a strip of three lamps in 12 V (common practice, no source). */
const STRIP_UNIT = 50;

/** A lamp from what is printed on its bag: "2.1 V, 20 mA", "12 V, 20 mA". */
function FromTheBag() {
  const edit = useLayoutStore((s) => s.edit);
  const [volts, setVolts] = useState(12);
  const [amps, setAmps] = useState(0.02);
  const [colour, setColour] = useState<LampColourName>('white');
  const [said, setSaid] = useState<{ readonly refused: boolean; readonly words: string } | null>(null);
  const add = (): void => {
    try {
      const { readings, builtInOhms } = printedLamp(volts, amps, colour);
      edit('A lamp from its bag', (draft) => {
        const { lamps } = draft.drawer;
        lamps[freeId(lamps, 'lamp')] = {
          ...usualOwnLamp,
          order: nextOrder(lamps),
          name: `${lampColours[colour].name}, ${formatQuantity(volts, 'volt')} ${formatQuantity(amps, 'amp')}`,
          readings: readings.map((r) => ({ ...r })),
          greatestAmps: amps,
          lumens: 1.5,
          colour,
        };
      });
      setSaid({
        refused: false,
        words:
          builtInOhms > 0
            ? `For that to be true ${formatQuantity(builtInOhms, 'ohm', { significant: 2 })} must be inside. Read it at two currents to be sure.`
            : 'A bare lamp: it wants a resistor. Read it at two currents to be sure.',
      });
    } catch (error) {
      setSaid({ refused: true, words: error instanceof Error ? error.message : String(error) });
    }
  };
  return (
    <div className="from-the-bag">
      <h3 className="part-head">From what is printed on the bag</h3>
      <div className="two-fields">
        <NumberField
          label="Volts printed"
          unit="volt"
          figure={volts}
          limits={{ least: 1, most: MOST_VOLTS, range: '1 V to 60 V' }}
          onCommit={setVolts}
        />
        <NumberField
          label="Current printed"
          unit="amp"
          figure={amps}
          limits={{ least: 1e-4, most: MOST_AMPS, range: '0.1 mA to 2 A' }}
          onCommit={setAmps}
        />
        <SelectField label="Colour printed" value={colour} options={colourOptions} onChange={setColour} />
      </div>
      <Button onClick={add}>Add it</Button>
      {said && (
        <p className={said.refused ? 'field-refusal' : 'hint'} role={said.refused ? 'alert' : 'status'}>
          {said.words}
        </p>
      )}
    </div>
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
        {formatQuantity(curve.forwardVolts, 'volt')} at {formatQuantity(curve.testAmps, 'amp')},{' '}
        {curve.errorVolts < LEAST_MISS_VOLTS
          ? 'through every reading'
          : `misses the readings by ${formatQuantity(curve.errorVolts, 'volt', { significant: 2 })}`}
        .
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
        <SelectField
          label="Colour"
          value={lamp.colour}
          options={colourOptions}
          onChange={(colour) =>
            edit('Colour of a lamp', (draft) => void (draft.drawer.lamps[id].colour = colour))
          }
        />
        <NumberField
          label="Beam"
          unit="degree"
          figure={lamp.beamDegrees}
          limits={{ least: 5, most: 170, range: '5° to 170°' }}
          onCommit={(degrees) =>
            edit('Beam of a lamp', (draft) => void (draft.drawer.lamps[id].beamDegrees = degrees))
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
      <CheckField
        label="A piece of strip"
        checked={lamp.unitMillimetres !== null}
        onChange={(on) =>
          edit('Strip', (draft) => void (draft.drawer.lamps[id].unitMillimetres = on ? STRIP_UNIT : null))
        }
      />
      {lamp.unitMillimetres !== null && (
        <NumberField
          label="Cut every"
          unit="millimetre"
          figure={lamp.unitMillimetres}
          limits={{ least: 1, most: 1000, range: '1 mm to 1 m' }}
          onCommit={(mm) => edit('Cut marks', (draft) => void (draft.drawer.lamps[id].unitMillimetres = mm))}
        />
      )}
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
          title={used ? 'A job uses it' : undefined}
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
