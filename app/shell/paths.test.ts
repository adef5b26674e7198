import { matchRoutes } from 'react-router';
import { describe, expect, test } from 'vitest';
import { benchPath, idOf, trainPath } from './paths';

const routes = [{ path: '/bench/:jobId/:stage?' }, { path: '/train/:trainId' }];
const ids = ['compartment-coach', 'a/b', '..', '.', '', '#x', '?q', '~', '~..', 'é ü', '100%', 'constructor'];

describe('addresses of jobs', () => {
  test.each(ids)('“%s” is found again by its address', (id) => {
    // As a browser takes it: steps up and fragments worked out.
    const there = new URL(benchPath(id, 'lamps'), 'http://quay/');
    expect(there.search + there.hash).toBe('');
    const [bench] = matchRoutes(routes, there.pathname)!;
    expect(bench.params.stage).toBe('lamps');
    expect(idOf(bench.params.jobId)).toBe(id);
    const [train] = matchRoutes(routes, new URL(trainPath(id), 'http://quay/').pathname)!;
    expect(idOf(train.params.trainId)).toBe(id);
  });
});
