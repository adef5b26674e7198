import { emptyCircuits, takeEmptyOut } from '../document/empty-circuits';
import { inOrder } from '../document/in-order';
import { looseTerminals } from '../assembly/assembly';
import { aboutLamps, lampWords, plural } from './about';
import { rule, type Cure, type Judgement } from './finding';
import type { LampCore } from '../document/lamp-record';

/** Lamps that hang in no circuit, and terminals that no lead reaches. */
export const looseLead = rule({
  id: 'loose-lead',
  needs: ['laid'],
  judge(bench) {
    const { assembly, job, jobId } = bench;
    const findings: Judgement[] = [];
    const lamps = inOrder<LampCore & { readonly role?: unknown }>(job.lamps);
    const loose = lamps.filter((l) => l.circuitId === null);
    if (loose.length > 0) {
      const like = (lamp: (typeof lamps)[number]): string | undefined =>
        lamps.find((l) => l.circuitId !== null && l.role === lamp.role)?.circuitId ??
        (lamp.role === 'room' ? inOrder(job.circuits)[0]?.id : undefined);
      const joinable = loose.filter((l) => like(l) !== undefined);
      const ids = loose.map((l) => l.id);
      const join: Cure = {
        label: plural(joinable.length, 'Join it to lamps of its sort', 'Join each to lamps of its sort'),
        recipe: (draft) => {
          for (const l of joinable) draft.jobs[jobId].lamps[l.id].circuitId = like(l)!;
        },
      };
      findings.push({
        id: 'loose-lead lamps',
        severity: 'mind',
        title: `${plural(ids.length, 'A lamp’s leads go', `The leads of ${ids.length} lamps go`)} nowhere`,
        sentence: `${lampWords(bench, ids)}: 0 mA, in no circuit yet.`,
        reason: 'What is not connected does not light, and a loose end finds a wheel or a frame to touch.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: ids.length, limit: 0, unit: 'pieces' }],
        cures: joinable.length > 0 ? [join] : [],
      });
    }
    const hung = assembly.parts.some((p) => p.lamp !== null && p.circuit !== null);
    const withoutLamps = emptyCircuits(job);
    const takeOut: Cure = {
      label: `Take ${withoutLamps.map((id) => job.circuits[id].name).join(' and ')} out: no lamp hangs there`,
      recipe: (draft) => takeEmptyOut(draft.jobs[jobId], withoutLamps),
    };
    for (const terminal of looseTerminals(assembly)) {
      const part = assembly.parts.find((p) => p.id === terminal.part)!;
      // A decoder's or a driver's spare wires end in the air; without lamps the feed ends where the first lamp will go.
      if (
        part.kind === 'decoder' ||
        part.kind === 'driver' ||
        (part.lamp !== null && part.circuit === null) ||
        !hung
      )
        continue;
      findings.push({
        id: `loose-lead ${part.id} ${terminal.terminal}`,
        severity: 'mind',
        title: 'A lead goes nowhere',
        sentence: `${part.label}: its ${terminal.terminal} lead ends in the air, 1 of ${assembly.parts.length} parts so.`,
        reason: 'What is not connected does not light, and a loose end finds a wheel or a frame to touch.',
        subject: { part: part.id },
        paths: [part.path],
        terminals: [terminal],
        figures: [{ is: 1, limit: 0, unit: 'pieces' }],
        cures: withoutLamps.length > 0 ? [takeOut] : [],
      });
    }
    return findings;
  },
});
