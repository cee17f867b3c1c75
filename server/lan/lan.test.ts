import { X509Certificate } from 'node:crypto';
import { chmod, mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import https from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { firstCode } from '../access/firstCode';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { LOOPBACK } from '../http/guard';
import { openBench, type TestBench } from '../testing/bench';
import { makeServer } from './certificates';
import { fingerprint, lanCertificates } from './index';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lan-'));
});
afterAll(() => rm(folder, { recursive: true }));

describe('the certificates of a shop', () => {
  it('are kept; other addresses get another of the same authority', async () => {
    const first = await lanCertificates(folder, ['192.168.2.7', 'bench.example']);
    expect(await lanCertificates(folder, ['192.168.2.7'])).toEqual(first);
    const moved = await lanCertificates(folder, ['192.168.2.8']);
    expect(moved.authority).toBe(first.authority);
    expect(moved.server.cert).not.toBe(first.server.cert);
    const [authority, server] = [
      new X509Certificate(moved.authority),
      new X509Certificate(moved.server.cert),
    ];
    expect(authority.ca).toBe(true);
    expect(server.ca).toBe(false);
    expect(server.verify(authority.publicKey)).toBe(true);
    expect([server.checkIP('192.168.2.8'), server.checkIP('192.168.2.7')]).toEqual([
      '192.168.2.8',
      undefined,
    ]);
    // Phones take none of a server that holds longer.
    const days = (Date.parse(server.validTo) - Date.parse(server.validFrom)) / 86_400_000;
    expect(days).toBeGreaterThan(300);
    expect(days).toBeLessThan(398);
    expect(fingerprint(moved.authority)).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  });

  it('speak for the shop’s own network and what it was asked for; for another address phones trust anew', async () => {
    const [own, named] = await Promise.all(
      ['own', 'named'].map((name) => mkdtemp(join(tmpdir(), `lan-${name}-`))),
    );
    const first = await lanCertificates(own!, ['192.168.0.9']);
    const inside = ['10.1.2.3', '172.31.0.1', 'fe80::7', 'fd00::1', 'bench.local', 'localhost'];
    expect((await lanCertificates(own!, inside)).authority).toBe(first.authority);
    for (const outside of ['172.32.0.1', '2001:db8::1', 'bench.example', 'notlocal']) {
      expect((await lanCertificates(own!, [outside])).authority).not.toBe(first.authority);
      const one = await lanCertificates(named!, [outside]);
      expect((await lanCertificates(named!, ['192.168.0.9', outside])).authority).toBe(one.authority);
    }
    await Promise.all([own!, named!].map((one) => rm(one, { recursive: true })));
  });

  it('have keys that nobody else reads', async () => {
    for (const name of ['authority.key', 'server.key'])
      expect((await stat(join(folder, name))).mode & 0o077).toBe(0);
  });

  it('are not served with where others on the machine could read a key', async () => {
    const key = join(folder, 'authority.key');
    await chmod(key, 0o640);
    await expect(lanCertificates(folder, ['192.168.2.8'])).rejects.toThrow(`${key} can be read by others`);
    await chmod(key, 0o600);
    await lanCertificates(folder, ['192.168.2.8']);
  });

  it('are made anew where one is half there', async () => {
    const before = await lanCertificates(folder, ['192.168.2.8']);
    await rm(join(folder, 'server.key'));
    const after = await lanCertificates(folder, ['192.168.2.8']);
    expect(after.server.cert).not.toBe(before.server.cert);
    expect(await readFile(join(folder, 'server.key'), 'utf8')).toBe(after.server.key);
  });
});

describe('served over HTTPS', () => {
  let bench: TestBench;
  let port: number;
  let authority: string;
  let close: () => void;
  beforeAll(async () => {
    bench = await openBench();
    const certificates = await lanCertificates(folder, ['127.0.0.1', 'bench.example']);
    ({ authority } = certificates);
    const app = createApp({
      pool: bench.pool,
      changes: bench.changes,
      authority,
      names: [...LOOPBACK, 'bench.example'],
    });
    const server = serve({
      fetch: app.fetch,
      port: 0,
      hostname: '127.0.0.1',
      createServer: https.createServer,
      serverOptions: certificates.server,
    });
    await new Promise((resolve) => server.once('listening', resolve));
    ({ port } = server.address() as AddressInfo);
    close = () => void server.close();
  });
  afterAll(async () => {
    close();
    await bench.close();
  });

  /** One request as a phone makes it; what it trusts besides the world's authorities is given. */
  const ask = (
    path: string,
    { ca, host, method = 'GET', body }: { ca?: string; host?: string; method?: string; body?: object } = {},
  ) =>
    new Promise<{ status: number; cookie: string; text: string; headers: Record<string, unknown> }>(
      (resolve, reject) => {
        const request = https.request(
          {
            host: '127.0.0.1',
            port,
            path,
            method,
            ...(ca && { ca }),
            headers: { ...(host && { host }), ...(body && { 'content-type': 'application/json' }) },
            agent: false,
            // The name it is asked by is what is tried; whose certificate it is, is tried without one.
            ...(host && { checkServerIdentity: () => undefined }),
          },
          (response) => {
            const chunks: Buffer[] = [];
            response.on('data', (chunk: Buffer) => chunks.push(chunk));
            response.on('end', () =>
              resolve({
                status: response.statusCode ?? 0,
                cookie: response.headers['set-cookie']?.join() ?? '',
                text: Buffer.concat(chunks).toString('latin1'),
                headers: response.headers,
              }),
            );
          },
        );
        request.on('error', reject);
        request.end(body && JSON.stringify(body));
      },
    );

  it('is trusted by who trusts the shop, and by nobody else', async () => {
    expect((await ask('/api/health', { ca: authority })).status).toBe(200);
    await expect(ask('/api/health')).rejects.toThrow();
    const other = await mkdtemp(join(tmpdir(), 'other-'));
    const { authority: stranger } = await lanCertificates(other, ['127.0.0.1']);
    await rm(other, { recursive: true });
    await expect(ask('/api/health', { ca: stranger })).rejects.toThrow();
  });

  it('is not believed for an address that is nobody’s here, whoever signs with the authority’s key', async () => {
    const key = await readFile(join(folder, 'authority.key'), 'utf8');
    const trustedFor = async (address: string): Promise<number> => {
      const serverOptions = await makeServer({ cert: authority, key }, [address]);
      const server = https.createServer(serverOptions, (_, response) => response.end()).listen(0);
      const { port: at } = server.address() as AddressInfo;
      try {
        return await new Promise((resolve, reject) =>
          https
            .get(
              { host: '127.0.0.1', port: at, servername: address, ca: authority, agent: false },
              (response) => resolve(response.resume().statusCode ?? 0),
            )
            .on('error', reject),
        );
      } finally {
        server.close();
      }
    };
    expect(await trustedFor('bench.local')).toBe(200);
    await expect(trustedFor('bank.example')).rejects.toThrow('permitted subtree violation');
  });

  it('answers to its own names, and to none that somebody leads here', async () => {
    expect((await ask('/api/health', { ca: authority, host: `bench.example:${port}` })).status).toBe(200);
    expect((await ask('/api/customers', { ca: authority, host: 'rebound.example' })).status).toBe(421);
  });

  it('gives a cookie to HTTPS and this host alone, and never asks a browser to shut plain HTTP out', async () => {
    await bench.pool.query("UPDATE account SET secret = NULL, role = 'technician'");
    const body = { code: await firstCode(bench.pool), name: 'First Lead', secret: '482916' };
    const { status, cookie, headers } = await ask('/api/session/first', {
      ca: authority,
      method: 'POST',
      body,
    });
    expect(status).toBe(200);
    expect(cookie).toMatch(/^__Host-wren=[\w-]{43};/);
    expect(cookie).toContain('Secure');
    expect(headers['strict-transport-security']).toBeUndefined();
  });

  it('tells a phone how to trust it, without a script', async () => {
    const page = await ask('/trust', { ca: authority });
    expect(page.text).toContain(fingerprint(authority));
    expect(page.headers['content-security-policy']).toContain("default-src 'none'");
    expect(page.text).not.toContain('<script');
    const taken = await ask('/trust/authority.crt', { ca: authority });
    expect(taken.headers['content-type']).toBe('application/x-x509-ca-cert');
    expect(new X509Certificate(Buffer.from(taken.text, 'latin1')).fingerprint256).toBe(
      fingerprint(authority),
    );
    expect(taken.text).not.toContain('PRIVATE');
  });
});
