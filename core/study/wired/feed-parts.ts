import type { Part } from '../../assembly/assembly';

/** Ids of what stands before a driver. */
export const feedParts = {
  bridge: 'feed-bridge',
  reservoir: 'feed-reservoir',
  converter: 'feed-converter',
} as const;

/** Whether a part stands before a driver that is put together by hand. */
export const isFeedPart = ({ id }: Pick<Part, 'id'>): boolean =>
  (Object.values(feedParts) as string[]).includes(id);
