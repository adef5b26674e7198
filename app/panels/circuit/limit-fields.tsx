import { anyJobIn } from '../../../core/document/jobs';
import { formatQuantity } from '../../../core/quantity/format';
import { heatWords } from '../../../core/quantity/heat-words';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { BandedResistor } from '../../drawings/banded-resistor';
import { CheckField } from '../../fields/check-field';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { WattageField } from './wattage-field';
import type { Draft } from 'immer';
import type { AnyJob } from '../../../core/document/layout';
import type { Part } from '../../../core/assembly/assembly';
import type { PanelProps } from '../../kinds/face';

interface LimitFieldsProps extends PanelProps {
  readonly circuitId: string;
  /** Each lamp has a role of its own, and so may have a resistor of its own value. */
  readonly apart?: boolean;
}

const ohmLimits = { least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' };

/** What limits the current of a circuit: a limiter, a resistor for all, for each string or for each lamp. */
export function LimitFields({ layout, jobId, job, solved, circuitId, apart = false }: LimitFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const circuit = job.circuits[circuitId];
  const change = (label: string, recipe: (j: Draft<AnyJob>) => void): void =>
    edit(label, (draft) => recipe(anyJobIn(draft, jobId)));
  const { parts } = solved.bench.assembly;
  /** Of what is solved already. */
  const heat = (of: (p: Part) => boolean): string | undefined =>
    solved.readings === null
      ? undefined
      : heatWords(
          Math.max(
            0,
            ...parts
              .filter((p) => p.kind === 'resistor' && p.circuit === circuitId && of(p))
              .map((p) => solved.readings?.parts.get(p.id)?.watts ?? 0),
          ),
        );
  if (circuit.limit === 'none') return null;
  if (circuit.limit === 'limiter') {
    const limiter = parts.find((p) => p.kind === 'limiter' && p.circuit === circuitId);
    const amps = limiter && solved.readings?.parts.get(limiter.id)?.amps.mean;
    return (
      <NumberField
        label="The limiter holds"
        unit="amp"
        figure={circuit.limiterAmps}
        limits={{ least: 1e-4, most: 1, range: '0.1 mA to 1 A' }}
        aside={amps === undefined ? undefined : `${formatQuantity(amps, 'amp')} flow`}
        onCommit={(held) => change('Limiter', (j) => void (j.circuits[circuitId].limiterAmps = held))}
      />
    );
  }
  const wattage = (
    <WattageField
      watts={circuit.ratedWatts}
      onChange={(watts) => change('Resistor wattage', (j) => void (j.circuits[circuitId].ratedWatts = watts))}
    />
  );
  const end = circuit.limit === 'each' && (
    <CheckField
      label="Resistors at the far ends of the leads"
      aside="the wire alone goes to the lamp"
      checked={circuit.resistorsFar === true}
      onChange={(far) =>
        change('End of the resistors', (j) => {
          if (far) j.circuits[circuitId].resistorsFar = true;
          else Reflect.deleteProperty(j.circuits[circuitId], 'resistorsFar');
        })
      }
    />
  );
  if (apart && circuit.limit === 'each' && circuit.inSeries === 1) {
    const names = lampNamesOf(layout, jobId);
    const own = [...names].filter(([id]) => job.lamps[id].circuitId === circuitId);
    return (
      <div className="two-fields">
        {own.map(([id, name]) => (
          <NumberField
            key={id}
            label={name}
            unit="ohm"
            figure={job.lamps[id].ohms ?? circuit.ohms}
            limits={ohmLimits}
            aside={heat((p) => p.lamp === id)}
            onCommit={(ohms) => change('Resistor', (j) => void (j.lamps[id].ohms = ohms))}
          />
        ))}
        {wattage}
        {end}
      </div>
    );
  }
  return (
    <>
      <div className="two-fields">
        <NumberField
          label={
            circuit.limit === 'shared'
              ? 'One resistor for all'
              : circuit.inSeries > 1
                ? 'A resistor for each string'
                : 'A resistor for each lamp'
          }
          unit="ohm"
          figure={circuit.ohms}
          limits={ohmLimits}
          aside={heat(() => true)}
          onCommit={(ohms) => change('Resistor', (j) => void (j.circuits[circuitId].ohms = ohms))}
        />
        {wattage}
        {end}
      </div>
      <BandedResistor ohms={circuit.ohms} />
    </>
  );
}
