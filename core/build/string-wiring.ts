import { stringOf } from '../study/string-needs';
import type { StringRecord } from '../document/moving-record';
import { wireOf } from '../part/wire';
import { formatQuantity } from '../quantity/format';
import { soldColour } from '../assembly/passing';
import { cutLong, wiringTable, type WiringRow } from './wiring-table';
import type { Bench } from '../study/bench';
import type { JobCore } from '../document/job-record';

/** Leads of a string: data from its pin, plus and minus to each place it is fed at, and the minus it shares with its computer. */
export function stringWiring(
  job: Pick<JobCore, 'legend'>,
  string: StringRecord,
  firstLabel: number,
): WiringRow[] {
  const { name, feeds, dataOhms, dataMillimetres, shifter } = string;
  const wire = wireOf(string.wire);
  let label = firstLabel;
  const row = (
    lead: string,
    from: string,
    to: string,
    side: '+' | '−' | '~',
    millimetres: number,
    means: string,
  ): WiringRow => {
    const colour = side === '+' ? job.legend.plus : side === '−' ? job.legend.minus : job.legend.lamp;
    const role = side === '+' ? ('plus' as const) : side === '−' ? ('minus' as const) : ('lamp' as const);
    const run = Math.max(1, millimetres);
    return {
      lead: `string ${lead}`,
      label: String(label++),
      from,
      to,
      fromPolarity: side,
      toPolarity: side,
      wire,
      colour,
      sold: soldColour(wire, { colour, role }),
      direct: false,
      assumed: false,
      onBoard: false,
      runMillimetres: Math.round(run),
      cutMillimetres: cutLong(run),
      through: [],
      means,
    };
  };
  const from = shifter ? 'level shifter, out' : 'computer, data pin';
  return [
    row(
      'data',
      from,
      `${name}, data in${dataOhms > 0 ? `, through ${formatQuantity(dataOhms, 'ohm')} close to it` : ''}`,
      '~',
      dataMillimetres,
      'data',
    ),
    ...feeds.flatMap(({ at, wireMillimetres }) => [
      row(
        `plus ${at}`,
        'string supply, plus',
        `${name}, plus at lamp ${at + 1}`,
        '+',
        wireMillimetres,
        'feed',
      ),
      row(
        `minus ${at}`,
        'string supply, minus',
        `${name}, minus at lamp ${at + 1}`,
        '−',
        wireMillimetres,
        'feed',
      ),
    ]),
    row('joined', 'computer, minus', 'string supply, minus', '−', dataMillimetres, 'joined minus'),
  ];
}

/** Every wire of a job that is cut and joined by hand: its leads but the copper of boards, and those of its string. */
export function wiresToLay(bench: Bench): WiringRow[] {
  const rows = wiringTable(bench).filter((r) => !r.onBoard);
  const string = stringOf(bench.job);
  return string ? [...rows, ...stringWiring(bench.job, string, rows.length + 1)] : rows;
}
