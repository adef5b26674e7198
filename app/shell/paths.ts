/**
 * An id as one part of an address. Ids come from files and may be anything: what a browser would take
 * for a step up, or for nothing, gets a mark in front.
 */
const marked = (id: string): string => encodeURIComponent(/^(|~.*|\.+)$/s.test(id) ? `~${id}` : id);

/** The id that a part of an address stands for; undefined stays so. */
export const idOf = (part: string | undefined): string | undefined =>
  part?.startsWith('~') ? part.slice(1) : part;

/** The bench of a job, at one of its stages. */
export const benchPath = (jobId: string, stage?: string): string =>
  `/bench/${marked(jobId)}${stage === undefined ? '' : `/${stage}`}`;

/** One step of the building at a time, for hands that hold an iron. */
export const atBenchPath = (jobId: string): string => `/at-bench/${marked(jobId)}`;

/** The sheet for the bench of a job. */
export const sheetPath = (jobId: string): string => `/sheet/${marked(jobId)}`;

/** A rig above the layout; `new` begins one. */
export const rigPath = (rigId: string): string => `/overhead/${marked(rigId)}`;

export const trainPath = (trainId: string): string => `/train/${marked(trainId)}`;

/** Where something new is begun: what it is, or the few questions of a kind. */
export const newPath = (kind?: string): string => (kind === undefined ? '/new' : `/new/${kind}`);
