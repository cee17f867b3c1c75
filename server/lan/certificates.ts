import { X509Certificate } from 'node:crypto';
import { mkdir, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate, type SubjectAltNameEntry } from 'selfsigned';

/** A certificate with its key, PEM. */
export interface Pair {
  cert: string;
  key: string;
}

export interface LanCertificates {
  /** What a phone trusts once: made once, kept. */
  authority: string;
  /** What is served with, for the addresses of now. */
  server: Pair;
}

const DAY_MS = 86_400_000;
/** A key that got away is worth nothing after so long; phones trust a new one then. */
const AUTHORITY_DAYS = 730;
/** Phones take no certificate of a server that holds longer than 398 days. */
const SERVER_DAYS = 390;
/** A certificate is made anew so long before it ends. */
const AHEAD_DAYS = 30;

const daysFromNow = (days: number): Date => new Date(Date.now() + days * DAY_MS);

/** Both files or neither. Throws where others on this machine may read the key. */
const readPair = async (folder: string, name: string): Promise<Pair | null> => {
  const file = join(folder, `${name}.key`);
  const mode = await stat(file).then(
    (is) => is.mode,
    () => 0,
  );
  if (mode & 0o077)
    throw new Error(
      `${file} can be read by others on this machine. If nobody has: chmod 600 it. If somebody may have: remove ${folder}, and let phones trust the new one.`,
    );
  try {
    const [cert, key] = await Promise.all(
      ['crt', 'key'].map((end) => readFile(join(folder, `${name}.${end}`), 'utf8')),
    );
    return { cert: cert!, key: key! };
  } catch {
    return null;
  }
};

/** Keys are readable to nobody else; a certificate stands only once its key does. */
async function writePair(folder: string, name: string, { cert, key }: Pair): Promise<void> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  for (const [end, text] of [
    ['key', key],
    ['crt', cert],
  ] as const) {
    const file = join(folder, `${name}.${end}`);
    await writeFile(`${file}.new`, text, { mode: 0o600 });
    await rename(`${file}.new`, file);
  }
}

const holds = ({ cert }: Pair): boolean =>
  Date.parse(new X509Certificate(cert).validTo) > daysFromNow(AHEAD_DAYS).getTime();

async function makeAuthority(): Promise<Pair> {
  const made = await generate([{ name: 'commonName', value: 'Rusty Wren of this shop' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate: daysFromNow(AUTHORITY_DAYS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  return { cert: made.cert, key: made.private };
}

async function makeServer(authority: Pair, addresses: readonly string[]): Promise<Pair> {
  const altNames = addresses.map((a): SubjectAltNameEntry =>
    isIP(a) ? { type: 7, ip: a } : { type: 2, value: a },
  );
  const made = await generate([{ name: 'commonName', value: addresses[0]! }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate: daysFromNow(SERVER_DAYS),
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames },
    ],
  });
  return { cert: made.cert, key: made.private };
}

/** Whether a certificate is this authority's, holds, and names every address. */
function serves(pair: Pair, authority: Pair, addresses: readonly string[]): boolean {
  const x = new X509Certificate(pair.cert);
  return (
    holds(pair) &&
    x.verify(new X509Certificate(authority.cert).publicKey) &&
    addresses.every((a) => (isIP(a) ? x.checkIP(a) : x.checkHost(a)) !== undefined)
  );
}

/**
 * What HTTPS is served with on these addresses: an authority that is made once and kept in the folder, and its certificate for
 * them, made anew when they change or it is about to end.
 */
export async function lanCertificates(
  folder: string,
  addresses: readonly string[],
): Promise<LanCertificates> {
  let authority = await readPair(folder, 'authority');
  if (!authority || !holds(authority)) {
    authority = await makeAuthority();
    await writePair(folder, 'authority', authority);
  }
  let server = await readPair(folder, 'server');
  if (!server || !serves(server, authority, addresses)) {
    server = await makeServer(authority, addresses);
    await writePair(folder, 'server', server);
  }
  return { authority: authority.cert, server };
}

/** A certificate's SHA-256, as a phone shows it: pairs of hexadecimal digits with colons. */
export const fingerprint = (cert: string): string => new X509Certificate(cert).fingerprint256;
