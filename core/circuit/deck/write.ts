import { dccCorners, type Wave } from '../waveform';
import { limiterBody, limiterCard, regulatorBody, regulatorCard, switchBody, switchCard } from './own';
import { stores, type JunctionCharge } from '../../part/junction-charge';
import type { JunctionModel } from '../../part/junction-model';
import type { TransistorModel } from '../../part/transistor-model';
import type { Element, Netlist } from '../netlist';

/** What the deck is to ask for, as cards: `.tran 2u 2m uic`, `.print tran v(a)`. */
export interface DeckRequest {
  readonly cards: readonly string[];
  /** Conditions at the start, by element: volts of a capacitor, amperes of an inductor. */
  readonly initial?: ReadonlyMap<string, number>;
}

const safe = (name: string): string => name.toLowerCase().replace(/[^a-z0-9_]+/g, '_');

/** A node's name as the deck has it. */
export const deckNode = safe;

/** An element's name as the deck has it: its letter first. */
export function deckName(e: Element): string {
  const letter = letterOf(e);
  const name = safe(e.id);
  return name.startsWith(letter) ? name : `${letter}_${name}`;
}

function letterOf(e: Element): string {
  switch (e.kind) {
    case 'resistor':
      return e.ohms === 0 ? 'v' : 'r';
    case 'limiter':
    case 'regulator':
    case 'switch':
      return 'x';
    default:
      if (e.kind === 'transistor') return 'q';
      return e.kind === 'inductor' ? 'l' : e.kind === 'current' ? 'i' : e.kind[0];
  }
}

/** A wave as a source card has it. */
function waveText(wave: Wave): string {
  switch (wave.kind) {
    case 'dc':
      return `dc ${wave.level}`;
    case 'pulse': {
      const w = wave;
      const period = Number.isFinite(w.period) ? ` ${w.period}` : '';
      return `pulse(${w.low} ${w.high} ${w.delay} ${w.rise} ${w.fall} ${w.width}${period})`;
    }
    case 'sine':
      return `sin(${wave.offset} ${wave.amplitude} ${wave.hertz} ${wave.delay} ${wave.damping} ${wave.phaseDegrees})`;
    case 'pwl': {
      const repeat = wave.repeatFrom === undefined ? '' : ` r=${wave.repeatFrom}`;
      return `pwl(${wave.points.flat().join(' ')})${repeat}`;
    }
    case 'dcc': {
      if (/^1+$/.test(wave.bits)) {
        const edge = dccCorners(wave)[1][0];
        const { amplitude: a, oneHalf } = wave;
        return `pulse(${-a} ${a} 0 ${edge} ${edge} ${oneHalf - edge} ${2 * oneHalf})`;
      }
      const corners = dccCorners(wave).map(([t, v]) => `${Number(t.toPrecision(9))} ${v}`);
      return `pwl(${corners.join(' ')}) r=0`;
    }
  }
}

const modelText = (m: JunctionModel): string =>
  [
    `is=${m.saturationAmps} n=${m.emission} rs=${m.seriesOhms}`,
    m.breakdownVolts === undefined ? '' : ` bv=${m.breakdownVolts}`,
    m.breakdownAmps === undefined ? '' : ` ibv=${m.breakdownAmps}`,
    chargeText(m.charge, ['cjo', 'vj', 'm', 'tt']),
  ].join('');

/** What a junction stores, as parameters by these names. */
const chargeText = (q: JunctionCharge | undefined, [cj, vj, m, tt]: readonly string[]): string =>
  stores(q)
    ? ` ${cj}=${q.zeroBiasFarads} ${vj}=${q.builtInVolts} ${m}=${q.grading} ${tt}=${q.transitSeconds} fc=${q.forwardShare}`
    : '';
const given = (name: string, figure: number | undefined): string =>
  figure === undefined || !Number.isFinite(figure) ? '' : ` ${name}=${figure}`;

const transistorText = (m: TransistorModel): string =>
  [
    `is=${m.saturationAmps} bf=${m.forwardGain} br=${m.reverseGain} nf=${m.forwardEmission} nr=${m.reverseEmission}`,
    Number.isFinite(m.earlyVolts) ? ` vaf=${m.earlyVolts}` : '',
    ` rb=${m.baseOhms} rc=${m.collectorOhms} re=${m.emitterOhms}`,
    given('var', m.reverseEarlyVolts),
    given('ikf', m.forwardKneeAmps),
    given('ikr', m.reverseKneeAmps),
    given('ise', m.emitterLeakAmps),
    given('ne', m.emitterLeakEmission),
    given('isc', m.collectorLeakAmps),
    given('nc', m.collectorLeakEmission),
    given('ccs', m.substrateFarads),
    chargeText(m.emitterCharge, ['cje', 'vje', 'mje', 'tf']),
    chargeText(m.collectorCharge, ['cjc', 'vjc', 'mjc', 'tr']),
  ].join('');

/** Lines longer than this are continued: old readers stop near 1000 characters. */
const LONGEST_LINE = 120;

function continued(line: string): string {
  const words = line.split(' ');
  const lines: string[] = [];
  for (const word of words) {
    const last = lines[lines.length - 1];
    if (last !== undefined && last.length + word.length < LONGEST_LINE)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(lines.length === 0 ? word : `+ ${word}`);
  }
  return lines.join('\n');
}

/**
 * Writes a netlist as a SPICE deck that the reference simulator runs as it stands; elements of our
 * own become named subcircuits, which our reader knows again.
 */
export function writeDeck(netlist: Netlist, request: DeckRequest): string {
  const lines: string[] = [netlist.title.replace(/[\r\n]+/g, ' ')];
  const models = new Map<string, string>();
  const switches = new Set<number>();
  let limiters = false;
  let regulators = false;
  for (const e of netlist.elements) {
    const [a, b] = [deckNode(e.a), deckNode(e.b)];
    const name = deckName(e);
    const given = request.initial?.get(e.id);
    switch (e.kind) {
      case 'resistor':
        lines.push(e.ohms === 0 ? `${name} ${a} ${b} dc 0` : `${name} ${a} ${b} ${e.ohms}`);
        break;
      case 'capacitor':
      case 'inductor': {
        const initial = given ?? (e.kind === 'capacitor' ? e.initialVolts : e.initialAmps);
        const amount = e.kind === 'capacitor' ? e.farads : e.henries;
        lines.push(`${name} ${a} ${b} ${amount}${initial === undefined ? '' : ` ic=${initial}`}`);
        break;
      }
      case 'voltage':
      case 'current':
        lines.push(continued(`${name} ${a} ${b} ${waveText(e.wave)}`));
        break;
      case 'diode': {
        const text = `d(${modelText(e.model)})`;
        if (!models.has(text)) models.set(text, `junction${models.size + 1}`);
        lines.push(`${name} ${a} ${b} ${models.get(text)!}`);
        break;
      }
      case 'transistor': {
        const text = `${e.polarity}(${transistorText(e.model)})`;
        if (!models.has(text)) models.set(text, `transistor${models.size + 1}`);
        lines.push(
          `${name} ${a} ${deckNode(e.c)} ${b} ${e.substrate === undefined ? '' : `${deckNode(e.substrate)} `}${models.get(text)!}`,
        );
        break;
      }
      case 'limiter':
        limiters = true;
        lines.push(limiterCard({ ...e, id: name, a, b }));
        break;
      case 'regulator':
        if ((e.alike ?? 1) !== 1) throw new RangeError(`${e.id}: a deck has every regulator by itself`);
        regulators = true;
        lines.push(continued(regulatorCard({ ...e, id: name, a, b, c: deckNode(e.c) })));
        break;
      case 'switch':
        switches.add(e.toggleSeconds.length);
        lines.push(continued(switchCard({ ...e, id: name, a, b })));
    }
  }
  for (const [text, name] of models) lines.push(`.model ${name} ${text}`);
  if (limiters) lines.push(...limiterBody);
  if (regulators) lines.push(...regulatorBody);
  for (const changes of switches) lines.push(...switchBody(changes));
  lines.push(...request.cards, '.end');
  return `${lines.join('\n')}\n`;
}
