import type { TrainRule } from './train-rule';

/** One supply type on a track at a time. */
export const oneSupply: TrainRule = {
  id: 'one-supply',
  judge({ layout, study }) {
    const tracks = study.draws.filter((d) => layout.supplies[d.supplyId].kind !== 'cell');
    if (tracks.length < 2) return [];
    const names = tracks.map((d) => layout.supplies[d.supplyId].name);
    return [
      {
        id: 'one-supply',
        severity: 'mind' as const,
        title: 'Made for different supplies',
        sentence: `The coaches of this train are made for ${tracks.length} supplies: ${names.join(', ')}.`,
        reason:
          'Only one kind of supply is on a track at a time. A coach made for another may stay dark, flicker, or get more than its parts bear.',
        paths: tracks.map((d) => ['supplies', d.supplyId]),
        terminals: [],
        figures: [{ is: tracks.length, limit: 1, unit: 'pieces' as const }],
      },
    ];
  },
};
