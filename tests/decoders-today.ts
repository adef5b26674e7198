type Job = { decoder?: { outputs: object } | null };

/** Jobs of before version 10 with decoders as they are today: by their type alone, without dim keys. */
export const decodersToday = (jobs: object): object =>
  Object.fromEntries(
    Object.entries(jobs as Record<string, Job>).map(([id, job]) => [
      id,
      job.decoder
        ? {
            ...job,
            decoder: {
              ...job.decoder,
              own: null,
              dim: null,
              outputs: Object.fromEntries(
                Object.entries(job.decoder.outputs).map(([o, rule]) => [
                  o,
                  { ...(rule as object), withKey: null },
                ]),
              ),
            },
          }
        : job,
    ]),
  );
