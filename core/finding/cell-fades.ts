import { FAINT_LIGHTNESS } from '../light/lamp-light';
import { cellAt, cellTypes } from '../part/cell';
import { cellsOf } from '../study/cell-life';
import { lampsOn, type Source } from '../study/sources';
import { FEW_HOURS } from './cell-hours';
import { largerResistors } from './cures';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';
import type { Readings } from '../study/readings';

/** Light that is halved before this share of the hours in which it falls to a tenth is gone early (common practice, no source). */
const EARLY_SHARE = 0.25;

/** One cell more in series, and resistors that let through as much as now; none where other jobs hang on the cells. */
function oneCellMore(bench: Bench, source: Source, now: Readings): Cure[] {
  const { layout, jobId, job, assembly } = bench;
  const { supply, supplyId } = source;
  const shared = Object.entries(layout.jobs).some(
    ([id, other]) =>
      id !== jobId &&
      (other.supplyId === supplyId ||
        Object.values(other.lines).some((l) => l.from.kind === 'supply' && l.from.supplyId === supplyId)),
  );
  if (supply.kind !== 'cell' || shared) return [];
  const own = lampsOn(bench, source);
  const circuits = new Set([...own].map((id) => job.lamps[id].circuitId));
  const resistors = assembly.parts.filter(
    (p) => p.kind === 'resistor' && p.circuit !== null && circuits.has(p.circuit),
  );
  const more = cellAt(cellTypes[supply.cell], supply.spent).volts;
  const volts = (id: string, ohms: number): number => Math.sqrt((now.parts.get(id)?.watts ?? 0) * ohms);
  const larger = largerResistors(resistors, (part) => {
    const across = part.kind === 'resistor' ? volts(part.id, part.ohms) : 0;
    return across > 0 ? (across + more) / across : 1;
  });
  const inSeries = supply.inSeries + 1;
  return [
    {
      label: `${inSeries} × ${cellTypes[supply.cell].name}, and larger resistors for as much light as now`,
      recipe: (draft) => {
        const cell = draft.supplies[supplyId];
        if (cell.kind !== 'cell' || !larger(draft)) return false;
        cell.inSeries = inSeries;
        return true;
      },
    },
  ];
}

/** A cell whose lamps lose half their light long before it is empty: hardly a volt is over for the resistor. */
export const cellFades = rule({
  id: 'cell-fades',
  needs: ['cellLife', 'now'],
  about: (bench) => cellsOf(bench).length > 0,
  judge(bench, { cellLife, now }) {
    if (!cellLife) return [];
    const { source, moments, lastHours } = cellLife;
    const [half, tenth] = moments;
    const glimmers = tenth ?? lastHours;
    const lamps = lampsOn(bench, source);
    const seen = now.dies.some((d) => lamps.has(d.lampId) && d.lightness >= FAINT_LIGHTNESS);
    if (!seen || half === null || half < FEW_HOURS || half >= EARLY_SHARE * glimmers) return [];
    const whole = (hours: number): string => `${hours.toFixed(0)} h`;
    return [
      {
        id: 'cell-fades',
        severity: 'note' as const,
        title: 'The cells are dim long before they are empty',
        sentence: `After ${whole(half)} the light has fallen to half; a tenth is left until ${whole(glimmers)}.`,
        reason:
          'Little is left over for the resistor, so the current falls much faster than the volts of the cells. With more volts and a larger resistor the light stays longer.',
        paths: [['supplies', source.supplyId]],
        terminals: [{ part: source.part, terminal: 'right' }],
        figures: [{ is: half, limit: EARLY_SHARE * glimmers, unit: 'h' as const }],
        cures: oneCellMore(bench, source, now),
      },
    ];
  },
});
