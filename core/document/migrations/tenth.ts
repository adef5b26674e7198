import { isPlain, jobsNext, mapped, type Plain } from './plain';

/** A decoder of version 9: its figures by its type alone, no dim key, no effect that another key changes. */
const decoderNext = (decoder: Plain): Plain => ({
  own: null,
  dim: null,
  ...decoder,
  outputs: mapped(decoder.outputs, (output) => ({ withKey: null, ...output })),
});

/** Whether a job has a decoder, or a variant of it does. */
const hasDecoder = (job: unknown): boolean =>
  isPlain(job) &&
  (isPlain(job.decoder) || (isPlain(job.variants) && JSON.stringify(job.variants).includes('"decoder"')));

/** Version 10: decoders and boards of one's own, dim keys, effects that change with another key; the light above; the evening. */
export const toTenth = (old: Plain): Plain => ({
  rigs: {},
  evening: { beginsMinutes: 1140, lastsMinutes: 180, lit: {} },
  ...old,
  jobs: isPlain(old.jobs)
    ? {
        ...old.jobs,
        ...(jobsNext(
          { ...old, jobs: Object.fromEntries(Object.entries(old.jobs).filter(([, job]) => hasDecoder(job))) },
          (job) => (isPlain(job.decoder) ? { ...job, decoder: decoderNext(job.decoder) } : job),
        ) as Plain),
      }
    : old.jobs,
  version: 10,
});
