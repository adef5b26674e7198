import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { application } from './application';

let server: Server;
let base = '';

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hazel-app-'));
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<title>Hazel Spark</title>');
  writeFileSync(join(folder, 'assets', 'a.js'), 'export {};');
  server = application(folder).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => void server.close());

describe('the server', () => {
  test('serves the application at every address of it', async () => {
    for (const path of ['/', '/bench/compartment-coach', '/no/such/page']) {
      const answer = await fetch(base + path);
      expect(answer.status).toBe(200);
      expect(await answer.text()).toContain('Hazel Spark');
    }
  });
  test('an asset that is not there is not a page', async () => {
    expect((await fetch(`${base}/assets/a.js`)).headers.get('cache-control')).toMatch(/immutable/);
    expect((await fetch(`${base}/assets/gone.js`)).status).toBe(404);
    expect((await fetch(`${base}/assets/..%2f..%2fpackage.json`)).status).not.toBe(200);
  });
  test('an error tells nothing of the machine it runs on', async () => {
    for (const path of [
      '/assets/gone.js',
      '/assets/%00',
      '/assets/%E0%A4%A',
      '/assets/..%2f..%2fpackage.json',
    ]) {
      const answer = await fetch(base + path);
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.status).toBeLessThan(500);
      expect(await answer.text()).not.toMatch(/\/tmp|node_modules|Error|\bat /);
    }
  });
  test('its headers keep everything to this origin and force no HTTPS', async () => {
    const { headers } = await fetch(base);
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).toMatch(/default-src 'self'/);
    expect(policy).not.toMatch(/upgrade-insecure-requests|unsafe-eval/);
    expect(headers.get('strict-transport-security')).toBeNull();
    expect(headers.get('x-powered-by')).toBeNull();
  });
  test('says so when the application is not built', () => {
    expect(() => application(tmpdir())).toThrow(/not built/);
  });
});
