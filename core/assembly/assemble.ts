import { decoderTypeOf } from '../document/decoder-record';
import { inOrder } from '../document/in-order';
import { wiringOf } from '../kinds/wirings';
import { inSentence } from '../quantity/format';
import { supplyKind } from '../supply';
import { driverKind } from '../supply/drivers';
import { driverOf } from '../document/aspect-record';
import { motorOf } from '../document/moving-record';
import { layCircuit, senseIn, type LaidLamp } from './lay-circuit';
import { Laying, t, type LineLead, type Sense } from './laying';
import { besideId, isSource, RAILS } from './assembly';
import { leadsOf } from './leads';
import { onBoards } from './on-board';
import { seated, threaded } from './passages';
import { stageFor } from './stages';
import { LineLaying } from './stages/stage';
import type { Layout } from '../document/layout';
import type { LampCore } from '../document/lamp-record';
import type { LineRecord } from '../document/wiring-record';
import type { Supply } from '../supply';
import type { Assembly, DocumentPath, Terminal } from './assembly';

type Line = LineRecord & { readonly id: string };

/**
 * From a job as wanted to the parts and leads of it: what feeds it, a decoder where it has one, then
 * each line with its stages, and on it its circuits and the lines it feeds.
 * @param supplyId the supply it is set on; the job's own when left out
 * @throws RangeError when the layout has no such job
 */
export function assemble(layout: Layout, jobId: string, supplyId?: string): Assembly {
  if (!Object.hasOwn(layout.jobs, jobId)) throw new RangeError(`there is no job ${jobId}`);
  const job = layout.jobs[jobId];
  const lamps = inOrder<LampCore>(job.lamps);
  const laying = new Laying(
    layout,
    jobId,
    job,
    wiringOf(job.kind),
    lamps.map((l) => l.id),
  );
  const onSupply = supplyId ?? job.supplyId;
  const supply = layout.supplies[onSupply];
  const kind = supplyKind(supply);
  const right = new Map<string, Terminal>();
  /** A supply with the switch it is switched on by. */
  const source = (id: string, name: string, ofId: string, of: Supply, path: DocumentPath): void => {
    const beside = id === RAILS ? null : of;
    laying.add(id, name, { kind: 'rails', supplyId: ofId, beside }, path, {});
    right.set(id, t(id, 'right'));
    if (!supplyKind(of).ownSwitch) return;
    const [own, label] = beside ? [`switch-${ofId}`, `Switch of ${inSentence(name)}`] : ['switch', 'Switch'];
    laying.add(own, label, { kind: 'switch', name: label, on: true }, path, {});
    laying.wire(t(id, 'right'), t(own, 'one'), 'plus');
    right.set(id, t(own, 'two'));
  };
  source(RAILS, kind.name, onSupply, supply, laying.at('supplyId'));
  for (const { id, from } of inOrder(job.lines)) {
    if (from.kind !== 'supply' || from.supplyId === null || right.has(besideId(from.supplyId))) continue;
    const beside = layout.supplies[from.supplyId];
    source(
      besideId(from.supplyId),
      beside.name,
      from.supplyId,
      beside,
      laying.at('lines', id, 'from', 'supplyId'),
    );
  }
  if (job.decoder) {
    const { outputs, onOhms, ownAmps, switches } = decoderTypeOf(job.decoder);
    laying.add(
      'decoder',
      'Decoder',
      { kind: 'decoder', outputs, onOhms, ownAmps, switches, unplugged: false },
      laying.at('decoder'),
      {},
    );
    laying.wire(right.get(RAILS)!, t('decoder', 'red'), 'right');
    laying.wire(t(RAILS, 'left'), t('decoder', 'black'), 'left');
  }
  const driver = driverOf(job);
  if (driver) {
    const { name, build, needs } = driverKind(driver);
    laying.add(
      'driver',
      name,
      { kind: 'driver', feed: driver.feed, needs: needs(driver), unplugged: false, ...build(driver) },
      laying.at('driver'),
      {},
    );
    laying.wire(right.get(RAILS)!, t('driver', 'right'), kind.changesSides ? 'right' : 'plus');
    laying.wire(t(RAILS, 'left'), t('driver', 'left'), kind.changesSides ? 'left' : 'minus');
  }
  const motor = motorOf(job);
  if (motor) {
    const { name, volts, amps } = motor;
    laying.add('motor', name, { kind: 'motor', volts, amps }, laying.at('motor'), {});
    laying.wire(right.get(RAILS)!, t('motor', 'one'), kind.changesSides ? 'right' : 'plus');
    laying.wire(t(RAILS, 'left'), t('motor', 'two'), kind.changesSides ? 'left' : 'minus');
  }
  /** Where the lead of each contact of the driver that lamps share has got to. */
  const sharedPlaces = new Map<string, Map<string, Terminal>>();
  const between = new Set(
    driver
      ? driverKind(driver)
          .build(driver)
          .outputs.flatMap((o) => o.between ?? [])
      : [],
  );
  const placesOf = (contact: string): Map<string, Terminal> => {
    const known = sharedPlaces.get(contact) ?? new Map<string, Terminal>();
    sharedPlaces.set(contact, known);
    return known;
  };
  /** Outputs give one sense, but for bare contacts on what changes sides. */
  const oneSense = !kind.changesSides || driver?.feed.bridge !== false;
  const begin = (line: Line): [LineLead, LineLead] => {
    const ends = leadsOf(job, line)!;
    return ends.map(({ terminal, role, colour }): LineLead => {
      const isRight = isSource(terminal.part) && terminal.terminal === 'right';
      const steady = terminal.part === RAILS && !kind.changesSides;
      return {
        at: isRight ? right.get(terminal.part)! : terminal,
        role: steady ? (role === 'right' ? 'plus' : 'minus') : role,
        colour: steady ? null : colour,
        ...(terminal.part === 'driver' &&
          (terminal.terminal === 'common' || between.has(terminal.terminal)
            ? { places: placesOf(terminal.terminal) }
            : { switched: true })),
      };
    }) as [LineLead, LineLead];
  };
  const roots = inOrder(job.lines);
  const branch = new LayBranch(laying, roots, lamps);
  for (const line of roots) {
    if (line.from.kind === 'line') continue;
    // What is fed beside the job's supply, or by an output, knows no other way.
    const polarised = line.from.kind === 'output' ? oneSense : line.from.supplyId !== null;
    branch.lay(line, begin(line), polarised);
  }
  for (const lamp of lamps) if (lamp.circuitId === null) laying.lamp(lamp, null);
  const parts = seated(onBoards(laying.parts, job), job, (lampId) => laying.wiring.placeOf(job, lampId));
  return { jobId, parts, leads: threaded(laying.leads, parts, job), lines: laying.lines };
}

/** Lays lines, and what they feed, in the order the person put them. */
class LayBranch {
  private readonly single: boolean;

  constructor(
    private readonly laying: Laying,
    private readonly lines: readonly Line[],
    private readonly lamps: readonly LaidLamp[],
  ) {
    this.single = lines.filter((l) => l.from.kind !== 'line').length === 1;
  }

  /** @param polarised whether the first of its two leads is always plus */
  lay(line: Line, leads: [LineLead, LineLead], polarised: boolean): void {
    const circuits = inOrder(this.laying.job.circuits).filter((c) => c.lineId === line.id);
    if (!line.eachWay) {
      this.build(line, leads, polarised, '', null, () => true);
      return;
    }
    // The lamps of each way get a build of their own, for which their lead is plus.
    const senses = new Map<string, Sense>();
    for (const c of circuits)
      this.members(c.id).forEach((l, i) => senses.set(l.id, senseIn(this.laying, c, polarised, l.id, i)));
    for (const way of [1, -1] as const) {
      const own = (lampId: string): boolean => senses.get(lampId) === way;
      if (![...senses.values()].includes(way)) continue;
      const turned: [LineLead, LineLead] = way > 0 ? [leads[0], leads[1]] : [leads[1], leads[0]];
      this.build(line, turned, true, way > 0 ? '-one' : '-other', way, own);
    }
  }

  private build(
    line: Line,
    [one, two]: readonly [LineLead, LineLead],
    polarised: boolean,
    build: string,
    way: Sense | null,
    own: (lampId: string) => boolean,
  ): void {
    const { laying } = this;
    const fed = this.lines.filter((l) => l.from.kind === 'line' && l.from.line === line.id);
    const circuits = inOrder(laying.job.circuits)
      .filter((c) => c.lineId === line.id)
      .map((circuit) => ({ circuit, members: this.members(circuit.id).filter((l) => own(l.id)) }));
    // A line of nothing but wires, with nothing on it, is not laid.
    if (circuits.every((c) => c.members.length === 0) && line.from.kind === 'line') return;
    const suffix = this.single && line.from.kind !== 'line' ? '' : ` of ${line.name}`;
    const laid = new LineLaying(laying, line.id, line, [{ ...one }, { ...two }], build, suffix);
    for (const stage of inOrder(line.stages)) {
      // What only tells who is led by which name needs nothing of the others.
      stageFor(stage.kind).lay(laid, stage as never);
    }
    const [plus, minus] = laid.leads;
    laying.lines.push({ line: line.id, way, plus: plus.at, minus: minus.at });
    const rectified = polarised || laid.rectified;
    for (const { circuit, members } of circuits) {
      if (members.length > 0)
        layCircuit(laying, circuit, members, { line: line.id, leads: laid.leads, polarised: rectified });
    }
    for (const next of fed) this.lay(next, this.forked(laid, next), rectified);
    // Wires that run along go on from where this line has got to.
    if (line.stages && Object.keys(line.stages).length === 0) [one.at, two.at] = [plus.at, minus.at];
  }

  private forked(laid: LineLaying, next: Line): [LineLead, LineLead] {
    const [a, b] = laid.leads;
    return next.swapped ? [{ ...b }, { ...a }] : [{ ...a }, { ...b }];
  }

  private members(circuitId: string): LaidLamp[] {
    return this.lamps.filter((l) => l.circuitId === circuitId);
  }
}
