import { stageOf } from '../document/line-stages';
import { nextPreferred } from '../part/preferred';
import { formatQuantity } from '../quantity/format';
import { SOCKET_RESISTOR_WATTS, SOCKET_TRANSISTOR_WATTS, trimmersSold } from '../part/hub-socket';
import { sourceOfLine } from '../study/sources';
import { atHighest, lampWords } from './about';
import { rule, type Cure } from './finding';
import type { Bench } from '../study/bench';
import type { TrimmerTravel } from '../study/trimmer-travel';
import type { TruthRow } from '../study/truth-table';

/** Share of its travel that a trimmer should do something over (common practice, no source). */
const LIVELY_SHARE = 0.6;
/** Under this it is hard to set anything with it. */
const DEAD_SHARE = 0.4;

const TURNED_SHARES = [0.8, 0.65, 0.5, 0.45, 0.4, 0.35, 0.3, 0.25];

/** By how much a larger trimmer may ask for a larger base resistor. */
const BASE_FACTORS = [1, 1.3, 1.8];
const TRIED_TRIMMERS = 3;

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const hasSockets = ({ assembly }: Bench): boolean => assembly.parts.some((p) => p.kind === 'socket');

/**
 * A larger trimmer takes less from the base: the dark part of its travel shrinks as it grows. What it
 * leaves to the base a larger base resistor takes back, so that the lamp gets no more than before.
 */
function largerTrimmers({ job, jobId }: Bench, lines: readonly string[]): Cure[] {
  const now = stageOf(job.lines[lines[0]], 'socket');
  if (!now) return [];
  return trimmersSold
    .filter((ohms) => ohms > now.trimmerOhms)
    .slice(0, TRIED_TRIMMERS)
    .flatMap((trimmerOhms) =>
      BASE_FACTORS.map((factor): Cure => {
        const baseOhms = factor === 1 ? now.baseOhms : nextPreferred(factor * now.baseOhms, 'E24');
        return {
          label: `Fit a trimmer of ${formatQuantity(trimmerOhms, 'ohm')}${factor === 1 ? '' : ` and a base resistor of ${formatQuantity(baseOhms, 'ohm')}`}`,
          recipe(draft) {
            for (const line of lines)
              Object.assign(stageOf(draft.jobs[jobId].lines[line], 'socket') ?? {}, {
                trimmerOhms,
                baseOhms,
              });
          },
        };
      }),
    );
}

/** A trimmer that is dead over much of its travel. */
export const trimmerDead = rule({
  id: 'trimmer-travel',
  needs: ['trimmers'],
  about: hasSockets,
  judge: (bench, { trimmers }) =>
    trimmers.flatMap((t) => {
      const { darkBelow } = t;
      const from = darkBelow ?? 1;
      const lively = Math.max(0, t.flatFrom - from);
      if (lively >= LIVELY_SHARE) return [];
      return [
        {
          id: `trimmer-travel ${t.parts[0]}`,
          severity: lively < DEAD_SHARE ? ('mind' as const) : ('note' as const),
          title: darkBelow === null ? 'The trimmer lights nothing' : 'The trimmer does little of its way',
          sentence:
            darkBelow === null
              ? `${lampWords(bench, t.lampIds)} stays dark however far its trimmer is turned.`
              : `The trimmer of ${lampWords(bench, t.lampIds)} is dark below ${percent(from)} of a turn${t.flatFrom < 0.97 ? ` and does nothing more above ${percent(t.flatFrom)}` : ''}: it works over ${percent(lively)} of its way.`,
          reason: `What the base is fed goes into the trimmer first: until about 0.65 V stand across it, nothing flows in the lamp. ${restOf(t)}`,
          subject: { lamps: t.lampIds, part: t.parts[0], line: t.lines[0] },
          paths: [['jobs', bench.jobId, 'lines', t.lines[0]]],
          terminals: [{ part: t.parts[0], terminal: 'out' }],
          figures: [
            { is: 100 * lively, limit: 100 * LIVELY_SHARE, unit: '%' as const },
            { is: Math.max(...t.points.map((p) => p.amps)), limit: null, unit: 'amp' as const },
          ],
          cures: [largerTrimmers(bench, t.lines)],
        },
      ];
    }),
});

const restOf = (t: TrimmerTravel): string =>
  t.flatFrom < 0.97
    ? 'Turned further up the transistor is fully on and the resistor alone sets the current.'
    : 'Turned all the way up it gives what the base resistor lets through.';

/** The trimmer turned down, no further than it has to be. */
const turnedDown = ({ jobId }: Bench, line: string, turn: number): Cure[] =>
  TURNED_SHARES.map((share): Cure => ({
    label: `Turn the trimmer to ${percent(share * turn)}`,
    recipe(draft) {
      const socket = stageOf(draft.jobs[jobId].lines[line], 'socket');
      if (!socket) return false;
      socket.turn = Number((share * turn).toFixed(3));
      return true;
    },
  }));

/** Heat in a part of a socket, and in which state. */
interface Hot {
  readonly row: TruthRow;
  readonly what: string;
  readonly watts: number;
  readonly limit: number;
}

/** A socket whose transistor or resistor gets too hot. */
export const socketHeat = rule({
  id: 'socket-heat',
  needs: ['highest'],
  about: hasSockets,
  judge: (bench, { highest }) =>
    bench.assembly.parts.flatMap((part) => {
      if (part.kind !== 'socket') return [];
      const hot = highest
        .flatMap((row) => {
          const reading = row.readings.parts.get(part.id);
          if (!reading) return [];
          const resistor = reading.amps.mean ** 2 * part.seriesOhms;
          return [
            { row, what: 'transistor', watts: reading.watts, limit: SOCKET_TRANSISTOR_WATTS },
            { row, what: 'resistor', watts: resistor, limit: SOCKET_RESISTOR_WATTS },
          ];
        })
        .sort((a, b) => b.watts / b.limit - a.watts / a.limit)[0] as Hot | undefined;
      if (!hot || hot.watts <= hot.limit) return [];
      const { line } = part;
      return [
        {
          id: `socket-heat ${part.id}`,
          severity: 'stop' as const,
          title: `The socket’s ${hot.what} gets too hot`,
          sentence: `${formatQuantity(hot.watts, 'watt', { significant: 2 })} in the ${hot.what} of ${part.label.toLowerCase()}${atHighest(sourceOfLine(bench, line), hot.row)}; it bears ${formatQuantity(hot.limit, 'watt')}.`,
          reason:
            'What the lamp does not need stays on the hub as heat. Fewer volts before the hub, a larger resistor, or the trimmer turned down.',
          subject: { part: part.id, line: line ?? undefined },
          paths: [part.path],
          terminals: [{ part: part.id, terminal: 'out' }],
          figures: [{ is: hot.watts, limit: hot.limit, unit: 'watt' as const }],
          cures: line === null ? [] : [turnedDown(bench, line, part.turn)],
        },
      ];
    }),
});
