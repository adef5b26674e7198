import { isClosed } from '../../../core/study/drive';
import { rectifierVolts } from '../../../core/study/line-readings';
import { formatQuantity, shortOhms } from '../../../core/quantity/format';
import { screenColour } from '../../../core/light/colour';
import {
  BoxSymbol,
  BridgeSymbol,
  BulbSymbol,
  DiodeSymbol,
  ElectrolyticSymbol,
  LampSymbol,
  LimiterSymbol,
  ResistorSymbol,
  SwitchSymbol,
} from './symbols';
import type { Part } from '../../../core/assembly/assembly';
import type { PictureProps } from '../../kinds/face';
import type { Column, PlacedPart, Point } from './ladder';

type Solved = PictureProps['solved'];

interface PartDrawingProps {
  readonly placed: PlacedPart;
  readonly solved: Solved;
  readonly pitch: number;
  readonly flagged: boolean;
}

/** One part with its figure. */
export function PartDrawing({ placed, solved, pitch, flagged }: PartDrawingProps) {
  const { part, at, alike } = placed;
  const { bench, readings, state } = solved;
  const [from, to] = Object.values(at);
  const words = valueOf(part, solved);
  const text = (
    <PartText
      from={from}
      to={to}
      words={words}
      flagged={flagged}
      beside={part.kind === 'electrolytic' || pitch >= 84}
    />
  );
  switch (part.kind) {
    case 'switch':
      return (
        <g>
          <SwitchSymbol from={from} to={to} on={isClosed(part, state)} />
          {text}
        </g>
      );
    case 'fuse':
    case 'resistor':
      return (
        <g>
          <ResistorSymbol from={from} to={to} />
          {text}
        </g>
      );
    case 'diode':
      return (
        <g>
          <DiodeSymbol from={at.anode} to={at.cathode} />
          {text}
        </g>
      );
    case 'limiter':
      return (
        <g>
          <LimiterSymbol from={at.in} to={at.out} />
          {text}
        </g>
      );
    case 'electrolytic':
      return (
        <g>
          <ElectrolyticSymbol from={at.plus} to={at.minus} />
          {text}
        </g>
      );
    case 'bridge': {
      const drop = readings && part.line !== null ? rectifierVolts(bench, readings, part.line) : null;
      return (
        <BridgeSymbol
          at={at}
          words={drop === null ? '' : `−${formatQuantity(drop, 'volt', { significant: 2 })}`}
          flagged={flagged}
        />
      );
    }
    case 'regulator':
      return <BoxSymbol at={at} words={formatQuantity(part.outVolts, 'volt')} flagged={flagged} />;
    case 'socket':
      return <BoxSymbol at={at} words={`${Math.round(100 * part.turn)} %`} flagged={flagged} />;
    case 'bulb': {
      const die = readings?.dies.find((d) => d.part === part.id);
      return <BulbSymbol from={from} to={to} strength={Math.min(1, (die?.lightness ?? 0) / 100)} />;
    }
    case 'lamp': {
      const dies = readings?.dies.filter((d) => d.part === part.id || d.lampId === part.lamp) ?? [];
      const brightest = dies.reduce<(typeof dies)[number] | undefined>(
        (best, d) => (best && best.lightness >= d.lightness ? best : d),
        undefined,
      );
      return (
        <g>
          <title>{[part, ...alike].map((p) => p.label).join(', ')}</title>
          <LampSymbol
            from={at.anode}
            to={at.cathode}
            second={part.second !== null}
            glow={screenColour(brightest?.xy ?? part.led.colour)}
            strength={Math.min(1, (brightest?.lightness ?? 0) / 100)}
            inside={part.led.inSeries}
            resistor={part.led.builtInOhms > 0 || part.builtIn.kind === 'resistor'}
          />
        </g>
      );
    }
    default:
      return null;
  }
}

/** The figure of a part, and what it is for. */
function valueOf(part: Part, { bench, readings }: Solved): readonly string[] {
  switch (part.kind) {
    case 'resistor':
      return part.role === 'charge' ? [formatQuantity(part.ohms, 'ohm'), 'charge'] : [shortOhms(part.ohms)];
    case 'fuse':
      return [formatQuantity(part.amps, 'amp'), 'fuse'];
    case 'switch':
      return [part.name.toLowerCase()];
    case 'limiter':
      return [formatQuantity(part.amps, 'amp')];
    case 'electrolytic':
      return [formatQuantity(part.farads, 'farad'), formatQuantity(part.ratedVolts, 'volt')];
    case 'diode': {
      if (part.role === 'discharge') return [];
      if (part.role === 'steering') return ['old diode'];
      const drop = readings && part.line !== null ? rectifierVolts(bench, readings, part.line) : null;
      return drop === null ? ['diode'] : [`−${formatQuantity(drop, 'volt', { significant: 2 })}`];
    }
    default:
      return [];
  }
}

interface PartTextProps {
  readonly from: Point;
  readonly to: Point;
  readonly words: readonly string[];
  readonly flagged: boolean;
  /** There is room at its right. */
  readonly beside: boolean;
}

/** The figure below what lies; at the right of what stands, or along it where there is no room. */
function PartText({ from, to, words, flagged, beside }: PartTextProps) {
  const value = flagged ? 'value flagged' : 'value';
  const [x, y] = [(from.x + to.x) / 2, (from.y + to.y) / 2];
  const lies = from.y === to.y;
  if (lies || beside) {
    return (
      <>
        {words.map((w, i) => (
          <text
            key={w}
            className={i === 0 ? value : 'note'}
            x={lies ? x : x + 21}
            y={lies ? y + 26 + 15 * i : y + 5 + 16 * (i - (words.length - 1) / 2)}
            textAnchor={lies ? 'middle' : 'start'}
          >
            {w}
          </text>
        ))}
      </>
    );
  }
  return (
    <text className={value} transform={`translate(${x + 21} ${y}) rotate(-90)`} textAnchor="middle">
      {words.join(' ')}
    </text>
  );
}

/** A leak is no current. */
const LEAK_AMPS = 5e-7;
const milliamps = (amps: number): string =>
  amps < LEAK_AMPS ? '0' : String(Number((amps * 1e3).toPrecision(amps < 1e-3 ? 2 : 3)));

/** Room a column has when its milliamps are written with their unit. */
export const WITH_UNIT = 80;

/** What stands under a column: its milliamps, and which lamps it is. */
export function columnWords(
  { parts }: Column,
  { readings }: Solved,
  pitch: number,
): { readonly amps: string; readonly name: readonly string[]; readonly flags: readonly string[] } {
  const lamps = parts.filter(({ part }) => part.kind === 'lamp' || part.kind === 'bulb');
  const drawn = lamps.flatMap(({ part, alike }) => [part, ...alike]);
  const amps = drawn.map((p) =>
    (readings?.dies ?? []).filter((d) => d.lampId === p.lamp).reduce((sum, d) => sum + d.litAmps, 0),
  );
  const [least, most] = [Math.min(...amps), Math.max(...amps)].map(milliamps);
  const branches = lamps[0] ? lamps[0].alike.length + 1 : 0;
  const unit = pitch >= WITH_UNIT ? ' mA' : '';
  return {
    amps:
      !readings || drawn.length === 0
        ? ''
        : `${branches > 1 ? `${branches} × ` : ''}${least === most ? least : `${least}…${most}`}${unit}`,
    name: branches === 1 && drawn[0] ? nameIn(drawn[0], drawn.length, pitch) : [],
    flags: drawn.map((p) => p.id),
  };
}

/** Letters a line of a name may have, for each pixel of room. */
const LETTERS = 1 / 7.4;

/** A lamp's name in at most two lines where there is room for it, else its number. */
function nameIn(part: Part, count: number, pitch: number): string[] {
  const number = part.kind === 'lamp' || part.kind === 'bulb' ? String(part.number) : '';
  const more = count > 1 ? ` +${count - 1}` : '';
  const words = `${part.label.replace(/, .*$/, '')}${more}`.split(' ');
  const lines = Array.from({ length: words.length }, (_, k) => [
    words.slice(0, k).join(' '),
    words.slice(k).join(' '),
  ])
    .map((pair) => pair.filter(Boolean))
    .filter((pair) => pair.every((line) => line.length <= pitch * LETTERS))
    .sort(
      (a, b) =>
        a.length - b.length || Math.max(...a.map((l) => l.length)) - Math.max(...b.map((l) => l.length)),
    );
  return lines[0] ?? [`${number}${more}`];
}
