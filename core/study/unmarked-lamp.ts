import { operatingPoint } from '../circuit/sweep';
import { currentProbe } from '../circuit/probe';
import { GROUND } from '../circuit/netlist';
import { lampElements } from '../assembly/lamp-elements';
import { supplyKind } from '../supply';
import type { Part } from '../assembly/assembly';
import type { BuiltInRecord } from '../document/lamp-record';
import type { LedPart } from '../part/led';
import type { Bench } from './bench';

/** A battery, or what stands for one, with a resistor in one lead. */
export interface Tester {
  readonly volts: number;
  readonly ohms: number;
}

/** What was seen when the tester touched something. */
export type Seen = 'lit' | 'dark';

/** One thing to do with the tester, and what the answer to it means. */
export interface TesterStep {
  readonly id: 'known-lamp' | 'one-way' | 'other-way' | 'plus-found' | 'tester-tired' | 'lamp-dead';
  readonly says: string;
  /** Asks for what is seen; null at an end. */
  readonly asks: boolean;
}

const steps: Readonly<Record<TesterStep['id'], TesterStep>> = {
  'known-lamp': {
    id: 'known-lamp',
    asks: true,
    says: 'Suspect the tester first: touch a lamp you know is good, red clip to its plus side. Does it light?',
  },
  'tester-tired': {
    id: 'tester-tired',
    asks: false,
    says: 'The tester is tired, or a clip is off. A fresh battery before you blame a lamp.',
  },
  'one-way': {
    id: 'one-way',
    asks: true,
    says: 'Now the unmarked lamp: red clip to one lead, black to the other. Does it light?',
  },
  'other-way': { id: 'other-way', asks: true, says: 'Change the clips over. Does it light now?' },
  'plus-found': {
    id: 'plus-found',
    asks: false,
    says: 'The lead at the red clip is plus. Mark it now, before the clips come off.',
  },
  'lamp-dead': {
    id: 'lamp-dead',
    asks: false,
    says: 'Dark both ways, and the tester is good: the lamp is dead, a joint in it is open, or it needs more volts than the tester has (two in series, or a resistor inside).',
  },
};

/** The step that follows what was seen so far, in order. */
export function testerStep(seen: readonly Seen[]): TesterStep {
  const [known, one, other] = seen;
  if (known === undefined) return steps['known-lamp'];
  if (known === 'dark') return steps['tester-tired'];
  if (one === undefined) return steps['one-way'];
  if (one === 'lit') return steps['plus-found'];
  if (other === undefined) return steps['other-way'];
  return other === 'lit' ? steps['plus-found'] : steps['lamp-dead'];
}

/** A lamp as it is held to the tester, with what it has in it; what is left out it has not. */
export interface TestedLamp {
  readonly led: LedPart;
  readonly second?: LedPart | null;
  readonly builtIn?: BuiltInRecord;
}

/**
 * Current through a lamp on the tester, the right way round for one of its colours, in amperes: the tester
 * and all that is in the lamp (junctions in series, its own resistor or limiter) as one circuit, solved.
 * @param clips `second` for the clips changed over, which lights the other colour
 */
export function testerAmps(
  tester: Tester,
  { led, second = null, builtIn = { kind: 'nothing' } }: TestedLamp,
  clips: 'first' | 'second' = 'first',
): number {
  const part = { ...HELD, led, second, builtIn } as Extract<Part, { kind: 'lamp' }>;
  const [plus, minus] = clips === 'first' ? (['clip', GROUND] as const) : ([GROUND, 'clip'] as const);
  const [amps] = operatingPoint(
    {
      title: 'tester',
      elements: [
        { kind: 'voltage', id: 'v', a: 'plus', b: GROUND, wave: { kind: 'dc', level: tester.volts } },
        { kind: 'resistor', id: 'r', a: 'plus', b: 'clip', ohms: tester.ohms },
        ...lampElements(part, plus, minus, {}),
      ],
    },
    (plan) => [currentProbe(plan, 'r')],
  );
  return amps;
}

/** A lamp by itself, of no job. */
const HELD = { kind: 'lamp', id: 'held', leakOhms: null } as const;

/**
 * The tester a job is itself: its supply with the resistor that serves all its lamps in circuit, so
 * that an unmarked lamp can be tried where it will hang. Null where plus does not stay plus, or where
 * no resistor serves all.
 */
export function ownTester({ assembly, supply }: Pick<Bench, 'assembly' | 'supply'>): Tester | null {
  const kind = supplyKind(supply);
  const resistor = assembly.parts.find((p) => p.kind === 'resistor' && p.role === 'shared');
  if (kind.changesSides || resistor?.kind !== 'resistor') return null;
  return { volts: kind.highestVolts(supply), ohms: resistor.ohms + kind.sourceOhms(supply) };
}
