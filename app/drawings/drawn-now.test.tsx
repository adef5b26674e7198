import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import { solvedJob } from '../../core/study/solved-job';
import { boatTrain, demoJob } from '../../tests/generated';
import { DrawnNow } from './drawn-now';

afterEach(cleanup);

const { readings } = solvedJob(boatTrain(), demoJob);
const told = (props: Parameters<typeof DrawnNow>[0]): string | null =>
  render(<DrawnNow {...props} />).container.querySelector('dd')!.textContent;

test('nothing is told of what is drawn before it is worked out, or where it cannot be; dark and followed it is', () => {
  const on = { power: true };
  expect(told({ solved: { readings: null, failure: null }, hand: on })).toBe('…');
  expect(told({ solved: { readings: null, failure: null }, hand: { power: false } })).toBe('0 A');
  expect(told({ solved: { readings: null, failure: 'it has no answer' }, hand: on })).toBe('–');
  expect(told({ solved: { readings: null, failure: null }, hand: on, liveAmps: 0.0123 })).toBe('12.3 mA');
  expect(readings!.supplyAmps.mean).toBeGreaterThan(0.01);
  expect(told({ solved: { readings, failure: null }, hand: on })).toMatch(/^\d+(\.\d+)? mA$/);
});
