import { createHmac, randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt);

/** OWASP, Password Storage Cheat Sheet: scrypt with N = 2^15, r = 8, p = 3; 32 MiB each. */
let cost = { N: 2 ** 15, r: 8, p: 3 };
const MOST_MEMORY = 64 * 1024 * 1024;
const BYTES = 32;

/** What this machine puts to every secret, and the database does not have: hashes that got away say nothing without it. */
const pepper = (): string | null => process.env['PEPPER'] || null;

/** How a kept secret was hashed: with this machine's pepper, or without. */
const [PEPPERED, PLAIN] = ['scrypt-peppered', 'scrypt'];
const withPepper = (secret: string): string =>
  createHmac('sha256', pepper() ?? '')
    .update(secret)
    .digest('base64');

/** What is kept of a secret: the function with its costs, salt and hash, parted by `$`. */
export async function hashOfSecret(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const [how, put] = pepper() === null ? [PLAIN, secret] : [PEPPERED, withPepper(secret)];
  const hash = await derive(put, salt, BYTES, { ...cost, maxmem: MOST_MEMORY });
  return [how, cost.N, cost.r, cost.p, salt.toString('base64'), hash.toString('base64')].join('$');
}

/** Whether what was kept is of before this machine had a pepper, and is to be kept anew. */
export const isOfBefore = (kept: string): boolean => pepper() !== null && !kept.startsWith(`${PEPPERED}$`);

/** Whose hash nobody's secret has: looked at where a name has none, so that it takes as long. */
const nobody = (): string => `scrypt$${cost.N}$${cost.r}$${cost.p}$${'A'.repeat(22)}==$${'A'.repeat(43)}=`;

/** Hashes at another cost from now on, a power of two: for tests, which sign in hundreds of times. Returns what it was. */
export function hashAt(N: number): number {
  const was = cost.N;
  cost = { ...cost, N };
  return was;
}

/** So many digits, by chance. */
export const digitsByChance = (many: number): string => String(randomInt(10 ** many)).padStart(many, '0');

/** Whether this is the secret that was kept. Takes the same time where none was kept. */
export async function isSecret(typed: string, kept: string | null): Promise<boolean> {
  const [how, N, r, p, salt = '', hash = ''] = (kept ?? nobody()).split('$');
  const wanted = Buffer.from(hash, 'base64');
  const costs = { N: Number(N), r: Number(r), p: Number(p), maxmem: MOST_MEMORY };
  const put = how === PEPPERED ? withPepper(typed) : typed;
  const had = await derive(put, Buffer.from(salt, 'base64'), wanted.length, costs);
  return timingSafeEqual(had, wanted) && kept !== null;
}
