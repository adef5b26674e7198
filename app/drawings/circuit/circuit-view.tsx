import { supplyKind } from '../../../core/supply';
import { shortOhms, formatQuantity } from '../../../core/quantity/format';
import { screenColour } from '../../../core/light/colour';
import { lightness } from '../../../core/light/lightness';
import { drawCircuit, RETURN_LINE, type PlacedSymbol, type Point } from './geometry';
import {
  DiodeSymbol,
  ElectrolyticSymbol,
  LampSymbol,
  LimiterSymbol,
  RegulatorSymbol,
  ResistorSymbol,
  SwitchSymbol,
} from './symbols';
import { wireHex } from '../../theme/wire-colours';
import type { Solved } from '../../store/use-solved';
import './circuit.css';

interface CircuitViewProps {
  readonly solved: Solved;
  readonly flagged: ReadonlySet<string>;
}

/** The circuit of a job with volts and milliamps on it, drawn from what is on the bench. */
export function CircuitView({ solved, flagged }: CircuitViewProps) {
  const { bench, steady, roofVolts } = solved;
  const drawing = drawCircuit(bench.assembly);
  const lampCount = steady?.dies.length ?? 0;
  const summary = `Circuit of ${bench.job.name}: ${bench.assembly.parts.map((p) => p.label).join(', ')}`;
  return (
    <svg
      className="circuit"
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="img"
      aria-label={summary}
    >
      {drawing.wires.map((w) => (
        <polyline key={w.lead} className="wire" points={w.points.map((p) => `${p.x},${p.y}`).join(' ')} />
      ))}
      {drawing.dots.map((p) => (
        <circle key={`${p.x} ${p.y}`} className="dot" cx={p.x} cy={p.y} r={3.6} />
      ))}
      {drawing.symbols.map((s) => (
        <SymbolView key={s.part.id} symbol={s} solved={solved} flagged={flagged.has(s.part.id)} />
      ))}
      {roofVolts && lampCount > 0 && (
        <g className="reading-pill" transform={`translate(${drawing.width - 150} 36)`}>
          <rect x={0} y={-14} width={120} height={24} rx={12} />
          <text x={60} y={2.5}>
            roof line {formatQuantity(roofVolts.mean, 'volt')}
          </text>
        </g>
      )}
      {steady && lampCount > 0 && (
        <text className="note" x={drawing.width - 12} y={drawing.height - 4} textAnchor="end">
          mA in each lamp
        </text>
      )}
    </svg>
  );
}

interface SymbolViewProps {
  readonly symbol: PlacedSymbol;
  readonly solved: Solved;
  readonly flagged: boolean;
}

function SymbolView({ symbol, solved, flagged }: SymbolViewProps) {
  const { steady, bridgeVolts } = solved;
  const { part, at } = symbol;
  const bottom = RETURN_LINE;
  const label = flagged ? 'value flagged' : 'value';
  switch (part.kind) {
    case 'rails':
      return <SupplyLabel solved={solved} right={at.right} left={at.left} />;
    case 'switch':
      return (
        <g>
          <SwitchSymbol from={at.one} to={at.two} on={part.on} />
          {at.one.x !== at.two.x && (
            <text className="note" x={(at.one.x + at.two.x) / 2} y={at.one.y + 24} textAnchor="middle">
              switch
            </text>
          )}
        </g>
      );
    case 'diode':
      return (
        <g>
          <DiodeSymbol from={at.anode} to={at.cathode} />
          {part.role === 'rectifier' && bridgeVolts !== null && (
            <text
              className={label}
              x={(at.anode.x + at.cathode.x) / 2}
              y={at.anode.y - 16}
              textAnchor="middle"
            >
              −{formatQuantity(bridgeVolts, 'volt', { significant: 2 })}
            </text>
          )}
        </g>
      );
    case 'limiter':
      return (
        <g>
          <LimiterSymbol from={at.in} to={at.out} />
          <text
            className={`${label} small`}
            x={at.in.x - 16}
            y={(at.in.y + at.out.y) / 2 + 4}
            textAnchor="end"
          >
            {formatQuantity(part.amps, 'amp')}
          </text>
        </g>
      );
    case 'regulator':
      return (
        <g>
          <RegulatorSymbol input={at.in} output={at.out} common={at.common} />
          <text className={`${label} small`} x={(at.in.x + at.out.x) / 2} y={at.in.y + 4} textAnchor="middle">
            {formatQuantity(part.outVolts, 'volt')}
          </text>
        </g>
      );
    case 'bridge': {
      const { right, left, plus, minus } = at;
      const drop = bridgeVolts;
      return (
        <g>
          <DiodeSymbol from={right} to={plus} />
          <DiodeSymbol from={left} to={plus} />
          <DiodeSymbol from={minus} to={right} />
          <DiodeSymbol from={minus} to={left} />
          {drop !== null && (
            <text className={label} x={right.x + 26} y={left.y + 4} textAnchor="start">
              −{formatQuantity(drop, 'volt', { significant: 2 })}
            </text>
          )}
        </g>
      );
    }
    case 'electrolytic': {
      const y = (at.plus.y + at.minus.y) / 2;
      return (
        <g>
          <ElectrolyticSymbol from={at.plus} to={at.minus} />
          <text className={label} x={at.plus.x + 10} y={y + 26}>
            {formatQuantity(part.farads, 'farad')}
          </text>
          <text className={label} x={at.plus.x + 10} y={y + 42}>
            {formatQuantity(part.ratedVolts, 'volt')}
          </text>
        </g>
      );
    }
    case 'resistor': {
      const lying = at.one.y === at.two.y;
      return (
        <g>
          <ResistorSymbol from={at.one} to={at.two} />
          {lying ? (
            <>
              <text className={label} x={(at.one.x + at.two.x) / 2} y={at.one.y - 16} textAnchor="middle">
                {formatQuantity(part.ohms, 'ohm')}
              </text>
              <text className="note" x={(at.one.x + at.two.x) / 2} y={at.one.y + 24} textAnchor="middle">
                charge
              </text>
            </>
          ) : (
            <text
              className={`${label} small`}
              x={at.one.x - 13}
              y={(at.one.y + at.two.y) / 2 + 4}
              textAnchor="middle"
              transform={`rotate(-90 ${at.one.x - 13} ${(at.one.y + at.two.y) / 2})`}
            >
              {shortOhms(part.ohms)}
            </text>
          )}
        </g>
      );
    }
    case 'lamp': {
      const reading = steady?.dies.find((l) => l.part === part.id);
      const lastOfString = at.cathode.y >= bottom - 1;
      const { led } = part;
      return (
        <g>
          <LampSymbol
            from={at.anode}
            to={at.cathode}
            glow={screenColour(reading?.xy ?? led.colour)}
            inside={led.inSeries}
            resistor={led.builtInOhms > 0 || part.builtIn.kind === 'resistor'}
            strength={Math.min(1, lightness((reading?.lumens ?? 0) / led.lumens) / 70)}
          />
          {reading && lastOfString && (
            <text className={`${label} small`} x={at.cathode.x} y={at.cathode.y + 18} textAnchor="middle">
              {milliamps(reading.amps.mean)}
            </text>
          )}
          <text
            className="note"
            x={at.cathode.x - (part.led.inSeries > 1 ? 14 : 6)}
            y={at.cathode.y - (lastOfString ? 12 : 4)}
            textAnchor="end"
          >
            {part.number}
          </text>
        </g>
      );
    }
  }
}

interface SupplyLabelProps {
  readonly solved: Solved;
  readonly right: Point;
  readonly left: Point;
}

/** What feeds the job, and its two sides in the colours of the job's legend. */
function SupplyLabel({ solved, right, left }: SupplyLabelProps) {
  const { controls, bench } = solved;
  const { supply, job } = bench;
  const kind = supplyKind(supply);
  const roles = kind.changesSides ? (['right', 'left'] as const) : (['plus', 'minus'] as const);
  const [one, other] = roles.map((r) => job.legend[r]);
  return (
    <g>
      <text className="name" x={12} y={28}>
        {kind.name}
      </text>
      <text className="value" x={12} y={46}>
        {kind.words(supply, controls).replace(/^(DCC|bus) /, '')}
      </text>
      <line className="rail" stroke={wireHex[one]} x1={12} y1={right.y} x2={right.x} y2={right.y} />
      <line className="rail" stroke={wireHex[other]} x1={12} y1={left.y} x2={left.x} y2={left.y} />
      <SideNote x={12} y={right.y} name={kind.sides.right} colour={one} />
      <SideNote x={12} y={left.y} name={kind.sides.left} colour={other} />
    </g>
  );
}

function SideNote({ x, y, name, colour }: { x: number; y: number; name: string; colour: string }) {
  return (
    <>
      <text className="note" x={x} y={y + 17}>
        {name.replace(' rail', '')},
      </text>
      <text className="note" x={x} y={y + 31}>
        {colour}
      </text>
    </>
  );
}

/** The number alone in milliamps, as the heading beside it says. */
function milliamps(amps: number): string {
  return amps < 5e-7 ? '0' : String(Number((amps * 1e3).toPrecision(amps < 1e-3 ? 2 : 3)));
}
