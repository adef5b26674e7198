import { netsOf, terminalKey, type Part } from '../../../core/assembly/assembly';
import { inOrder } from '../../../core/document/in-order';
import { chainOf, stageOf } from '../../../core/document/line-stages';
import { isClosed } from '../../../core/study/drive';
import { lampName } from '../../../core/kinds/locomotive/lamp-name';
import { lampRoles, type LampRoleName } from '../../../core/document/lamp-roles';
import { screenColour } from '../../../core/light/colour';
import { formatQuantity, shortOhms } from '../../../core/quantity/format';
import { leadsOf, type LeadEnd } from '../../../core/assembly/leads';
import { BAND, BOTTOM, BOX_WIDTH, LABELS, ladders, placeLadder, TOP, widthOf, type Band } from './ladder';
import { wireHex } from '../../theme/wire-colours';
import { DiodeSymbol, ElectrolyticSymbol, ResistorSymbol, SwitchSymbol } from '../circuit/symbols';
import type { SolvedVehicle } from '../../store/use-vehicle';
import '../circuit/circuit.css';

interface VehicleCircuitViewProps {
  readonly solved: SolvedVehicle;
  readonly flagged: ReadonlySet<string>;
}

const WIDTH = 640;
const LEAST_WIDTH = 440;

/** Every circuit of a locomotive as a ladder between its two leads, with milliamps as solved. */
export function VehicleCircuitView({ solved, flagged }: VehicleCircuitViewProps) {
  const { job, assembly } = solved.vehicle;
  const circuits = inOrder(job.circuits).filter((c) =>
    Object.values(job.lamps).some((l) => l.circuitId === c.id),
  );
  const bands = circuits.flatMap((c) => ladders(assembly, c));
  // Alone in its row a ladder is drawn as large as it can be.
  const columns = bands.length > 2 && bands.every((b) => widthOf(b) <= WIDTH / 2) ? 2 : 1;
  const width =
    columns === 2 ? WIDTH : Math.min(WIDTH, Math.max(LEAST_WIDTH, ...bands.map((b) => widthOf(b, true))));
  return (
    <svg
      className="circuit vehicle-circuit"
      style={{ height: 'auto' }}
      viewBox={`0 0 ${width} ${Math.max(1, Math.ceil(bands.length / columns)) * BAND}`}
      role="img"
      aria-label={`Circuits of ${job.name}: ${circuits.map((c) => c.name).join(', ')}`}
    >
      {bands.map((band, i) => (
        <g
          key={`${band.circuit.id} ${band.way}`}
          transform={`translate(${(i % columns) * (width / columns)} ${Math.floor(i / columns) * BAND})`}
        >
          <Ladder band={band} room={width / columns} solved={solved} flagged={flagged} />
        </g>
      ))}
      {bands.length === 0 && (
        <text className="note" x={20} y={60}>
          No circuit yet.
        </text>
      )}
    </svg>
  );
}

interface LadderProps {
  readonly band: Band;
  /** Width there is for it. */
  readonly room: number;
  readonly solved: SolvedVehicle;
  readonly flagged: ReadonlySet<string>;
}

function Ladder({ band, room, solved, flagged }: LadderProps) {
  const { circuit, inLead, source, lamps } = band;
  const { job, assembly } = solved.vehicle;
  const nets = netsOf(assembly);
  const net = (part: string, terminal: string): string | undefined =>
    nets.get(terminalKey({ part, terminal }));
  const root = chainOf(job, circuit.lineId)[0];
  const [one, two] = leadsOf(job, root)!;
  const steering = stageOf(job.lines[circuit.lineId], 'steering');
  const back = band.way === 'other';
  const [upper, lower] = back ? [two, one] : [one, two];
  const { inLine, box, boxAt, reservoir, reservoirAt, columns } = placeLadder(band, room);
  const start = columns[0];
  const end = columns[columns.length - 1];
  const minusNet = box?.kind === 'bridge' ? net(box.id, 'minus') : undefined;
  const topNet = topNetOf();
  function topNetOf(): string | undefined {
    const shared = inLead.find((p) => p.kind === 'resistor');
    if (box?.kind === 'bridge') return net(box.id, 'plus');
    const regulator = source.find((p) => p.kind === 'regulator' || p.kind === 'limiter');
    if (regulator) return net(regulator.id, 'out');
    if (shared) return net(shared.id, 'two');
    const last = inLead.at(-1);
    if (last?.kind === 'switch') return net(last.id, 'two');
    if (last?.kind === 'diode')
      return [net(last.id, 'anode'), net(last.id, 'cathode')].find(
        (n) => n !== nets.get(terminalKey(one.terminal)),
      );
    return nets.get(terminalKey(one.terminal));
  }
  return (
    <g>
      <text className="name" x={8} y={14}>
        {circuit.name}
      </text>
      <LeadLabel y={TOP} lead={upper} />
      <LeadLabel y={BOTTOM} lead={lower} />
      <path className="wire" d={`M${LABELS - 8} ${TOP}H${inLine[0]?.from.x ?? (box ? boxAt : start)}`} />
      <path
        className="wire"
        d={`M${LABELS - 8} ${BOTTOM}H${Math.max(end, box ? boxAt + BOX_WIDTH : start)}`}
      />
      {inLine.map(({ part, from, to }, i) => (
        <g key={part.id}>
          {part.kind === 'switch' ? (
            <SwitchSymbol from={from} to={to} on={isClosed(part, solved.state)} />
          ) : part.kind === 'diode' ? (
            <>
              {conductsAway(part) ? <DiodeSymbol from={from} to={to} /> : <DiodeSymbol from={to} to={from} />}
              {steering?.left === 'bridged' && (
                <path
                  className="wire"
                  d={`M${from.x + 4} ${TOP}v-16h${to.x - from.x - 8}v16`}
                  strokeDasharray="4 3"
                />
              )}
            </>
          ) : (
            <ResistorSymbol from={from} to={to} />
          )}
          <text
            className={flagged.has(part.id) ? 'value small flagged' : 'note'}
            x={(from.x + to.x) / 2}
            y={TOP + 22}
            textAnchor="middle"
          >
            {part.kind === 'resistor'
              ? shortOhms(part.ohms)
              : part.kind === 'switch'
                ? 'switch'
                : steering?.left === 'bridged'
                  ? 'bridged'
                  : 'old diode'}
          </text>
          <path className="wire" d={`M${to.x} ${TOP}H${inLine[i + 1]?.from.x ?? (box ? boxAt : start)}`} />
        </g>
      ))}
      {box && (
        <g className="symbol">
          <rect x={boxAt} y={TOP - 14} width={BOX_WIDTH} height={BOTTOM - TOP + 28} rx={5} />
          <path d={`M${boxAt + BOX_WIDTH} ${TOP}H${start}`} />
        </g>
      )}
      {box && (
        <>
          <text className="name" x={boxAt + 37} y={(TOP + BOTTOM) / 2 - 2} textAnchor="middle">
            {box.kind === 'bridge' ? 'bridge' : 'board'}
          </text>
          <text className="value small" x={boxAt + 37} y={(TOP + BOTTOM) / 2 + 16} textAnchor="middle">
            {box.kind === 'bridge'
              ? '+ / −'
              : box.kind === 'regulator'
                ? formatQuantity(box.outVolts, 'volt')
                : box.kind === 'limiter'
                  ? formatQuantity(box.amps, 'amp')
                  : ''}
          </text>
        </>
      )}
      {reservoir?.kind === 'electrolytic' && (
        <>
          <ElectrolyticSymbol from={{ x: reservoirAt, y: TOP }} to={{ x: reservoirAt, y: BOTTOM }} />
          <text className="note" x={reservoirAt + 8} y={BOTTOM - 12}>
            {formatQuantity(reservoir.farads, 'farad')}
          </text>
        </>
      )}
      {lamps.length > 1 && <path className="wire" d={`M${start} ${TOP}H${end}`} />}
      {lamps.map((part, i) => (
        <Column
          key={part.id}
          part={part}
          x={columns[i]}
          solved={solved}
          flagged={flagged.has(part.id)}
          onTop={(terminalPart, terminal) => net(terminalPart, terminal) === topNet && topNet !== minusNet}
        />
      ))}
    </g>
  );

  /** Whether the first lead reaches the diode at its anode. */
  function conductsAway(part: Part): boolean {
    return (
      net(part.id, 'anode') === nets.get(terminalKey(one.terminal)) ||
      inLead.some((p) => p.kind === 'switch' && net(p.id, 'two') === net(part.id, 'anode'))
    );
  }
}

function LeadLabel({ y, lead }: { readonly y: number; readonly lead: LeadEnd }) {
  return (
    <>
      <line className="rail" x1={8} y1={y} x2={LABELS - 8} y2={y} stroke={wireHex[lead.colour]} />
      {lead.colour === 'white' && (
        <line x1={8} y1={y + 2.6} x2={LABELS - 8} y2={y + 2.6} stroke="#84929a" strokeWidth={1} />
      )}
      <text className="note" x={8} y={y - 7}>
        {lead.short}
      </text>
    </>
  );
}

/** Roles whose first word is too long under a lamp. */
const short: Partial<Record<LampRoleName, string>> = {
  headlight: 'head',
  destination: 'blind',
  'number-board': 'board',
  'engine-room': 'engine',
};

/** Milliamps to two or three figures; a leak is none. */
const milliamps = (amps: number): string =>
  amps < LEAK_AMPS ? '0' : String(Number((amps * 1e3).toPrecision(amps < 1e-3 ? 2 : 3)));
const LEAK_AMPS = 1e-6;

interface ColumnProps {
  readonly part: Part;
  readonly x: number;
  readonly solved: SolvedVehicle;
  readonly flagged: boolean;
  readonly onTop: (part: string, terminal: string) => boolean;
}

/** One lamp between the two lines: its own resistor where it has one, both colours of a two-colour lamp. */
function Column({ part, x, solved, flagged, onTop }: ColumnProps) {
  if (part.kind !== 'lamp' && part.kind !== 'bulb') return null;
  const { job, assembly } = solved.vehicle;
  const lampId = part.lamp!;
  const lamp = job.lamps[lampId];
  const resistor = assembly.parts.find((p) => p.kind === 'resistor' && p.lamp === lampId);
  const above = resistor ? onTop(resistor.id, 'one') : false;
  const [from, to] = resistor ? (above ? [TOP + 34, BOTTOM] : [TOP, BOTTOM - 34]) : [TOP, BOTTOM];
  const readings = solved.lit?.dies.filter((l) => l.lampId === lampId) ?? [];
  const [first, second] = readings;
  const strength = (l: typeof first | undefined): number => Math.min(1, (l?.lightness ?? 0) / 100);
  const down = resistor
    ? above
      ? !lamp.reversed
      : lamp.reversed
    : part.kind === 'lamp' && onTop(part.id, 'anode');
  const middle = (from + to) / 2;
  const amps = readings.reduce((sum, l) => sum + l.litAmps, 0);
  return (
    <g>
      <title>{lampName(job, lampId)}</title>
      {resistor?.kind === 'resistor' && (
        <>
          <ResistorSymbol
            from={{ x, y: above ? TOP : BOTTOM - 34 }}
            to={{ x, y: above ? TOP + 34 : BOTTOM }}
          />
          <text className="value small" x={x + 12} y={above ? TOP + 21 : BOTTOM - 13}>
            {shortOhms(resistor.ohms)}
          </text>
        </>
      )}
      {first && (
        <circle
          cx={x}
          cy={middle}
          r={17}
          fill={screenColour((strength(second) > strength(first) ? second : first).xy)}
          opacity={0.75 * Math.max(strength(first), strength(second))}
        />
      )}
      {part.kind === 'bulb' ? (
        <g className="symbol">
          <line x1={x} y1={from} x2={x} y2={middle - 9} />
          <line x1={x} y1={middle + 9} x2={x} y2={to} />
          <circle cx={x} cy={middle} r={9} fill="none" />
          <path d={`M${x - 6.4} ${middle - 6.4}l12.800 12.800m0 -12.800l-12.800 12.800`} />
        </g>
      ) : (
        <>
          <DiodeSymbol from={{ x, y: down ? from : to }} to={{ x, y: down ? to : from }} size={8.5} />
          {lamp.secondPart !== null && (
            <>
              <path className="wire" d={`M${x} ${middle - 18}h17v4M${x} ${middle + 18}h17v-4`} />
              <DiodeSymbol
                from={{ x: x + 17, y: down ? middle + 14 : middle - 14 }}
                to={{ x: x + 17, y: down ? middle - 14 : middle + 14 }}
                size={6.5}
              />
            </>
          )}
        </>
      )}
      <text
        className={flagged ? 'value small flagged' : 'value small'}
        x={x}
        y={BOTTOM + 15}
        textAnchor="middle"
      >
        {milliamps(amps)} mA
      </text>
      <text className="note" x={x} y={BOTTOM + 28} textAnchor="middle">
        {short[lamp.role] ?? lampRoles[lamp.role].name.split(' ')[0].toLowerCase()}
        {lamp.acrossMillimetres < -0.5 ? ' L' : lamp.acrossMillimetres > 0.5 ? ' R' : ''}
      </text>
    </g>
  );
}
