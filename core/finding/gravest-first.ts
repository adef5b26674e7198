import type { Finding, Severity } from './finding';

const weight: Readonly<Record<Severity, number>> = { stop: 0, mind: 1, note: 2 };

/** Findings with the gravest first; within a severity in the order of the rules. */
export function gravestFirst<F extends Pick<Finding, 'severity'>>(findings: readonly F[]): F[] {
  return [...findings].sort((a, b) => weight[a.severity] - weight[b.severity]);
}
