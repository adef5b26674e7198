import { isOnRails } from '../document/job-record';
import { mainLineId } from '../document/line-stages';
import { terminalKey, type Terminal } from '../assembly/assembly';
import { Averages } from '../circuit/average';
import { GROUND } from '../circuit/netlist';
import { compile, type Plan } from '../circuit/plan';
import { currentProbe, voltageProbe, type Probe } from '../circuit/probe';
import { checkStructure } from '../circuit/structure';
import { Transient, type Snapshot } from '../circuit/transient';
import { supplyKind, type Controls } from '../supply';
import { benchOf, type Bench } from './bench';
import { contactOver, lostSpans, type DirtyStretch } from './contact';
import { envelopeOf, hasEnvelope, type Envelope } from './envelope';
import { modelSpeed } from './gap';
import { reservoirsOf } from './line-readings';
import { Meter, totalLumens } from './meter';
import { loweredAt } from './netlist-at';
import { Solver } from './solver';
import { usualState } from './states';
import type { Lowered } from '../assembly/lower';
import type { Layout } from '../document/layout';
import type { State } from '../supply/state';

/** What a person's hand is on while the vehicle runs. */
export interface RunControls {
  readonly power: boolean;
  /** Share of full throttle; heeded on a DC track alone. */
  readonly throttle: number;
  readonly direction: 'forward' | 'reverse';
  readonly kilometresPerHour: number;
  readonly stretches: readonly DirtyStretch[];
}

/** A change of the controls at a moment, which counts from the next whole quantum on. */
export interface RunEvent {
  readonly seconds: number;
  readonly set: Partial<RunControls>;
}

/** Where a run begins: everything that, with its events, decides it. */
export interface RunStart {
  readonly layout: Layout;
  readonly jobId: string;
  readonly controls: RunControls;
  readonly loopMillimetres: number;
  readonly seed: number;
  /** What is set otherwise than usual. */
  readonly state?: State;
  /** Every bit of a DCC track rather than its envelope; for checking the one against the other. */
  readonly bitByBit?: boolean;
}

/** Means over one quantum of a run, at its end. */
export interface RunSample {
  readonly seconds: number;
  /** Light over that of the steady state the vehicle is made for. */
  readonly light: number;
  readonly reservoirVolts: number;
  readonly lineVolts: number;
  readonly supplyAmps: number;
  /** Whether wheels and rail touch at the end of the quantum. */
  readonly contact: boolean;
  readonly placeMillimetres: number;
}

/** A run goes in steps of this length; events take effect at their ends, so that who asks when changes nothing. */
export const QUANTUM_SECONDS = 0.01;

/** A stretch of a run under constant controls. */
interface Stretch {
  readonly run: Transient;
  readonly averages: { now: Averages };
  readonly fromSeconds: number;
  readonly fromPlace: number;
  readonly speed: number;
}

/** A contact that drops less than this resistance would is made: far above a closed one's, far below an open one's. */
const CLOSED_OHMS = 1;

/** Furthest ahead that contact is worked out for a stretch; beyond it the next stretch begins. */
const STRETCH_SECONDS = 20;

/**
 * A vehicle on its loop, played quantum by quantum from its present state. Given the same start and
 * events it gives the same samples to the last bit, however it is asked for them.
 */
export class LiveRun {
  readonly events: RunEvent[] = [];
  private readonly bench: Bench;
  /** What is pressed and switched; direction and throttle come from the controls. */
  private readonly state: State;
  /** The envelope under the controls of the stretch that is played. */
  private envelope: Envelope | null = null;
  private envelopeHeld: Controls | null = null;
  private readonly fullLumens: number;
  private controls: RunControls;
  private quanta = 0;
  private place = 0;
  private stored: Float64Array;
  private stretch: Stretch | null = null;
  private pending: RunEvent[] = [];

  constructor(private readonly start: RunStart) {
    this.bench = benchOf(start.layout, start.jobId);
    this.state = usualState(this.bench, start.state);
    const readings = new Solver(this.bench).at(this.state);
    this.fullLumens = totalLumens(readings);
    this.controls = start.controls;
    this.stored = readings.stored;
  }

  get seconds(): number {
    return this.quanta * QUANTUM_SECONDS;
  }

  /** Changes the controls from the next quantum on. */
  control(set: Partial<RunControls>): RunEvent {
    const event = { seconds: this.seconds, set };
    this.pending.push(event);
    this.events.push(event);
    return event;
  }

  /** Plays until a moment, and no further than whole quanta reach. @returns the samples since the last call */
  advance(toSeconds: number): RunSample[] {
    const samples: RunSample[] = [];
    while ((this.quanta + 1) * QUANTUM_SECONDS <= toSeconds + 1e-9) samples.push(this.quantum());
    return samples;
  }

  private quantum(): RunSample {
    if (this.pending.length > 0) {
      for (const { set } of this.pending) this.controls = { ...this.controls, ...set };
      this.pending = [];
      this.endStretch();
    }
    if (this.stretch && this.seconds - this.stretch.fromSeconds >= STRETCH_SECONDS - 1e-9) this.endStretch();
    const stretch = (this.stretch ??= this.beginStretch());
    this.quanta++;
    const { run, averages } = stretch;
    averages.now = new Averages(run.step.after.length);
    run.goOn(this.seconds);
    while (!run.done) run.advance(1000);
    const [light, stored, roof, amps, contact] = averages.now.spreads();
    const hasReservoir = reservoirsOf(this.bench).length > 0;
    // The cycles of the supply tell only while it feeds: on the reservoir alone there are none, and
    // without one there is nothing else.
    const fed = !hasReservoir ? 1 : this.controls.power ? Math.min(1, Math.max(0, contact.mean)) : 0;
    const whileFed = (factor = 1): number => 1 + (factor - 1) * fed;
    const lineFactor = whileFed(this.envelope?.lineFactor);
    this.place = stretch.fromPlace + stretch.speed * (this.seconds - stretch.fromSeconds);
    const length = this.start.loopMillimetres;
    return {
      seconds: this.seconds,
      light: this.fullLumens > 0 ? (light.mean * whileFed(this.envelope?.lightFactor)) / this.fullLumens : 0,
      reservoirVolts: stored.mean * (hasReservoir ? 1 : lineFactor),
      lineVolts: roof.mean * lineFactor,
      supplyAmps: amps.mean * (this.envelope?.ampsFactor ?? 1),
      contact: contact.mean > 0.5,
      placeMillimetres: ((this.place % length) + length) % length,
    };
  }

  private endStretch(): void {
    if (!this.stretch) return;
    this.stored = Float64Array.from(this.stretch.run.storedNow);
    this.stretch = null;
  }

  private beginStretch(): Stretch {
    const { bench, controls, start, seconds, place } = this;
    const { throttle, direction, power } = controls;
    const held = this.envelopeHeld;
    if (!start.bitByBit && (held?.throttle !== throttle || held.direction !== direction)) {
      this.envelopeHeld = { throttle, direction };
      this.envelope = this.envelopeAt(this.envelopeHeld);
    }
    const onTrack = supplyKind(bench.supply).onTrack;
    const loop = { lengthMillimetres: start.loopMillimetres, stretches: onTrack ? controls.stretches : [] };
    const speed =
      (direction === 'forward' ? 1 : -1) * modelSpeed(controls.kilometresPerHour, start.layout.scale);
    const lost = isOnRails(bench.job) ? lostSpans(loop, start.seed, bench.job.pickups) : [];
    const rolling = contactOver(
      lost,
      loop.lengthMillimetres,
      place,
      speed,
      seconds,
      seconds + STRETCH_SECONDS + 1,
    );
    const contact = power ? rolling : { made: false, toggleSeconds: [] };
    const lowered = loweredAt(
      { ...bench, supply: this.envelope?.supply ?? bench.supply },
      { ...this.state, throttle, direction },
      { contact },
    );
    const { netlist } = lowered;
    checkStructure(netlist, true);
    const plan = compile(netlist);
    const probes = this.probes(plan, lowered);
    const run = new Transient(
      plan,
      {
        stop: seconds + QUANTUM_SECONDS,
        longestStep: QUANTUM_SECONDS,
        start: { stored: this.stored },
        relative: 3e-4,
      },
      probes,
    );
    const count = this.stored.length;
    const still = new Array<number>(count).fill(0);
    const snapshot: Snapshot = {
      seconds,
      unknowns: new Array<number>(plan.unknowns + 1).fill(0),
      stored: [...this.stored],
      rates: still,
      scales: still,
      usual: still,
      nextStep: QUANTUM_SECONDS,
      fresh: true,
    };
    run.resume(snapshot, true);
    const averages = { now: new Averages(probes.length) };
    run.onStep = (step) => averages.now.add(step);
    return { run, averages, fromSeconds: seconds, fromPlace: place, speed };
  }

  private envelopeAt(held: Controls): Envelope | null {
    const state = { ...this.state, ...held };
    if (!hasEnvelope(this.bench, held.throttle)) return null;
    return envelopeOf(this.bench, new Solver(this.bench).at(state), state);
  }

  private probes(plan: Plan, lowered: Lowered): Probe[] {
    const { bench } = this;
    const at = (t: Terminal): string => lowered.nodeOf.get(terminalKey(t)) ?? GROUND;
    const [reservoir] = reservoirsOf(bench);
    const own = bench.assembly.lines.find((l) => l.line === mainLineId(bench.job));
    const line = own ? voltageProbe(plan, at(own.plus), at(own.minus)) : () => 0;
    const supply = currentProbe(plan, 'r_supply');
    const contact = currentProbe(plan, 'x_contact');
    const across = voltageProbe(plan, 'wheel', at({ part: 'rails', terminal: 'right' }));
    return [
      new Meter(bench, lowered).totalLight(plan),
      reservoir
        ? voltageProbe(
            plan,
            at({ part: reservoir.id, terminal: 'plus' }),
            at({ part: reservoir.id, terminal: 'minus' }),
          )
        : line,
      line,
      (s, t) => Math.abs(supply(s, t)),
      (s, t) => (Math.abs(across(s, t)) <= CLOSED_OHMS * Math.abs(contact(s, t)) + 1e-6 ? 1 : 0),
    ];
  }
}

/** Plays a run from its start and its events, as it was played live. @returns every sample until a moment */
export function replay(start: RunStart, events: readonly RunEvent[], toSeconds: number): RunSample[] {
  const run = new LiveRun(start);
  const samples: RunSample[] = [];
  for (const event of events) {
    samples.push(...run.advance(event.seconds));
    run.control(event.set);
  }
  samples.push(...run.advance(toSeconds));
  return samples;
}
