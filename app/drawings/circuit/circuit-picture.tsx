import { decoderTypeOf } from '../../../core/document/decoder-record';
import { supplyKind } from '../../../core/supply';
import { formatQuantity } from '../../../core/quantity/format';
import { sourceOfLine } from '../../../core/study/sources';
import { useRoom, type Room } from '../use-room';
import { wirePaint } from '../../../core/part/wire-colour';
import { leastWidth, laddersOf, HEAD, type Head, type Ladder } from './ladder';
import { piecesOf } from './branches';
import { PartDrawing, columnWords, WITH_UNIT } from './part-drawing';
import { pinsOf } from '../../../core/supply/drivers/driver-kind';
import type { Assembly, Terminal } from '../../../core/assembly/assembly';
import type { Bench } from '../../../core/study/bench';
import type { PictureProps } from '../../kinds/face';
import './circuit.css';

/** Lowest a ladder may be to be read, and as high as it is still looked at as one. */
const LEAST_HEIGHT = 214;
const MOST_HEIGHT = 460;
const GAP = 14;

interface LaidOutLadder {
  readonly ladder: Ladder;
  readonly x: number;
  readonly y: number;
}

/** Ladders in the room there is: one below the other, or in two columns where all are narrow enough. */
export function ladderPlaces(assembly: Assembly, room: Room): LaidOutLadder[] {
  const pieces = piecesOf(assembly);
  const half = (room.width - GAP) / 2;
  const columns = pieces.length > 2 && pieces.every((p) => leastWidth(p) <= half) ? 2 : 1;
  const rows = Math.ceil(pieces.length / columns);
  const height = Math.min(MOST_HEIGHT, Math.max(LEAST_HEIGHT, room.height / Math.max(1, rows) - GAP / 2));
  const width = columns === 2 ? half : room.width;
  return laddersOf(assembly, { width, height }).map((ladder, i) => ({
    ladder,
    x: (i % columns) * (half + GAP),
    y: Math.floor(i / columns) * height,
  }));
}

/** Every circuit of a job as a ladder between its leads, with volts and milliamps as solved. */
export function CircuitPicture({ solved, flagged }: PictureProps) {
  const [element, room] = useRoom<HTMLDivElement>({ width: 620, height: 400 });
  const { bench } = solved;
  const placed = ladderPlaces(bench.assembly, room);
  const width = Math.max(...placed.map((p) => p.x + p.ladder.width), 1);
  const height = Math.max(...placed.map((p) => p.y + p.ladder.height), 1);
  return (
    <div className="circuit-room" ref={element}>
      <svg
        className="circuit"
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Circuit of ${bench.job.name}: ${bench.assembly.parts.map((p) => p.label).join(', ')}`}
      >
        {placed.map(({ ladder, x, y }, i) => (
          <g key={i} transform={`translate(${x} ${y})`} data-ladder={i}>
            <LadderDrawing ladder={ladder} solved={solved} flagged={flagged} />
          </g>
        ))}
      </svg>
    </div>
  );
}

type LadderProps = Pick<PictureProps, 'solved' | 'flagged'> & { readonly ladder: Ladder };

function LadderDrawing({ ladder, solved, flagged }: LadderProps) {
  const { bench, readings } = solved;
  const volts = lineWords(ladder, solved);
  const right = Math.max(...ladder.columns.map((c) => c.x), HEAD);
  return (
    <>
      <text className="name" x={8} y={16}>
        {titleOf(ladder, bench)}
        {readings && ladder.pitch < WITH_UNIT && ladder.columns.length > 0 && ', mA in each'}
      </text>
      {ladder.wires.map(({ from, to }, i) => (
        <line key={i} className="wire" x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      ))}
      {ladder.heads.map((head) => (
        <HeadName key={`${head.at.x} ${head.at.y}`} head={head} bench={bench} />
      ))}
      {ladder.dots.map((p) => (
        <circle key={`${p.x} ${p.y}`} className="dot" cx={p.x} cy={p.y} r={3.4} />
      ))}
      {ladder.parts.map((placed) => (
        <PartDrawing
          key={placed.part.id}
          placed={placed}
          solved={solved}
          pitch={ladder.pitch}
          flagged={[placed.part, ...placed.alike].some((p) => flagged.has(p.id))}
        />
      ))}
      {ladder.columns.map((column) => {
        const words = columnWords(column, solved, ladder.pitch);
        return (
          <g key={column.x} textAnchor="middle">
            <text
              className={words.flags.some((id) => flagged.has(id)) ? 'value flagged' : 'value'}
              x={column.x}
              y={column.bottom + 19}
            >
              {words.amps}
            </text>
            {words.name.map((line, i) => (
              <text key={line} className="note" x={column.x} y={column.bottom + 35 + 15 * i}>
                {line}
              </text>
            ))}
          </g>
        );
      })}
      {volts && (
        <g className="reading-pill" transform={`translate(${Math.min(right + 12, ladder.width - 8) - 92} 6)`}>
          <rect x={0} y={0} width={92} height={22} rx={11} />
          <text x={46} y={15.5}>
            {volts}
          </text>
        </g>
      )}
    </>
  );
}

/** What a ladder is about: its circuits, or where nothing of them is in it, what it is. */
function titleOf({ parts, heads }: Ladder, { job }: Bench): string {
  const drawn = parts.flatMap((p) => [p.part, ...p.alike]);
  const circuits = [...new Set(drawn.flatMap((p) => (p.circuit === null ? [] : [p.circuit])))];
  const names = circuits.flatMap((id) => (Object.hasOwn(job.circuits, id) ? [job.circuits[id].name] : []));
  if (names.length > 2) return `${names[0]} and ${names.length - 1} more`;
  if (names.length > 0) return names.join(' and ');
  if (parts.length === 0)
    return heads.length > 0 ? `What feeds the ${job.decoder ? 'decoder' : 'driver'}` : '';
  return drawn.some((p) => p.lamp !== null) ? 'Not wired yet' : 'Nothing hangs here yet';
}

/** Volts between the two lines the lamps hang on, where they are always plus and minus. */
function lineWords({ parts, columns }: Ladder, { bench, readings }: PictureProps['solved']): string | null {
  const steady = parts.some((p) => ['bridge', 'regulator', 'electrolytic'].includes(p.part.kind));
  const line = columns.flatMap((c) => c.parts.map((p) => p.part.line)).find((id) => id !== null);
  if (line === undefined) return null;
  if (!steady && supplyKind(sourceOfLine(bench, line).supply).changesSides) return null;
  const volts = readings?.lines.get(line ?? '');
  return volts ? formatQuantity(Math.abs(volts.mean), 'volt') : null;
}

/** The lead a ladder begins with, in the colour of its wire. */
function HeadName({ head, bench }: { readonly head: Head; readonly bench: Bench }) {
  const { x, y } = head.at;
  const [first] = head.terminals;
  const colour = headColour(first, bench);
  const words = head.terminals.map((t) => headWords(t, bench));
  return (
    <g>
      <line className="rail" x1={8} y1={y} x2={x} y2={y} stroke={wirePaint[colour]} />
      {colour === 'white' && <line className="rail-edge" x1={8} y1={y + 3} x2={x} y2={y + 3} />}
      <text className="head" x={8} y={y - 8}>
        {words[0]}
      </text>
      <text className="note" x={8} y={y + 19}>
        {words[1] ?? colour}
      </text>
    </g>
  );
}

function headColour(t: Terminal, { assembly, job }: Bench): keyof typeof wirePaint {
  const lead = assembly.leads.find((l) =>
    [l.from, l.to].some((e) => e.part === t.part && e.terminal === t.terminal),
  );
  return lead?.colour ?? job.legend.right;
}

/** A terminal of the supply or the decoder as a person calls it. */
function headWords({ part, terminal }: Terminal, { job, supply, assembly }: Bench): string {
  const from = assembly.parts.find((p) => p.id === part);
  if (from?.kind === 'rails') return supplyKind(from.beside ?? supply).sides[terminal as 'right' | 'left'];
  if (from?.kind === 'tester') return `tester ${terminal}`;
  if (from?.kind === 'driver') {
    if (terminal === 'common') return from.switches === 'minus' ? 'common +' : 'common −';
    return pinsOf(from).find((p) => p.id === terminal)?.name ?? `feed ${terminal}`;
  }
  const output = job.decoder && decoderTypeOf(job.decoder).outputs.find((o) => o.id === terminal);
  if (output) return output.name.length > 13 ? output.id.replace('out', 'output ') : output.name;
  return { blue: 'common +', ground: 'common −' }[terminal] ?? `decoder ${terminal}`;
}
