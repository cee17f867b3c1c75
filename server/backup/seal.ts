import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { promisify } from 'node:util';

/** What a sealed archive is opened with besides its passphrase, in base64; its last 16 bytes say that nothing in it was changed. */
export interface Seal {
  salt: string;
  iv: string;
}

const CIPHER = 'aes-256-gcm';
/** Bytes at the end of a sealed archive. */
export const TAG = 16;
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };

const scrypted = promisify<string, Buffer, number, object, Buffer>(scrypt);
const keyOf = (passphrase: string, salt: Buffer): Promise<Buffer> => scrypted(passphrase, salt, 32, COST);

/** Seals bytes with a passphrase: what they are opened with, and the sealed bytes as they come. */
export async function sealed(
  from: AsyncIterable<Buffer>,
  passphrase: string,
): Promise<{ seal: Seal; bytes: AsyncIterable<Buffer> }> {
  const [salt, iv] = [randomBytes(16), randomBytes(12)];
  const cipher = createCipheriv(CIPHER, await keyOf(passphrase, salt), iv);
  async function* bytes(): AsyncGenerator<Buffer> {
    for await (const some of from) yield cipher.update(some);
    yield cipher.final();
    yield cipher.getAuthTag();
  }
  return { seal: { salt: salt.toString('base64'), iv: iv.toString('base64') }, bytes: bytes() };
}

/**
 * Opens what was sealed. `from`: the sealed bytes but for the tag at their end. Throws, at their end, where the passphrase is another or
 * anything was changed: until then what came out is not to be believed.
 */
export async function* opened(
  from: AsyncIterable<Buffer>,
  { seal, tag, passphrase }: { seal: Seal; tag: Buffer; passphrase: string },
): AsyncGenerator<Buffer> {
  const [salt, iv] = [Buffer.from(seal.salt, 'base64'), Buffer.from(seal.iv, 'base64')];
  const decipher = createDecipheriv(CIPHER, await keyOf(passphrase, salt), iv).setAuthTag(tag);
  for await (const some of from) yield decipher.update(some);
  try {
    yield decipher.final();
  } catch {
    throw new Error('the passphrase is not the one it was sealed with, or it was changed since.');
  }
}
