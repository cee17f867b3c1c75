// What the certificates' package needs to be there before it.
import 'reflect-metadata';
import { randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { mkdir, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

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

/** The names and addresses of a shop's own network; nobody else's are under them. */
const OWN_NETWORK = {
  names: ['localhost', 'local', 'lan', 'internal', 'home.arpa'],
  addresses: [
    '10.0.0.0/8',
    '172.16.0.0/12',
    '192.168.0.0/16',
    '169.254.0.0/16',
    '100.64.0.0/10',
    '127.0.0.0/8',
    '::1/128',
    'fc00::/7',
    'fe80::/10',
  ],
} as const;

/**
 * For whom an authority may speak (RFC 5280, 4.2.1.10): the shop's own network, and by name what else it is asked for. Whoever
 * comes by its key cannot be somebody's bank on the phones that trust it.
 */
function boundTo(addresses: readonly string[]): x509.Extension {
  const others = addresses.filter((a) => !inOwnNetwork(a));
  const bases = [
    ...OWN_NETWORK.names.map((dNSName) => ({ dNSName })),
    ...OWN_NETWORK.addresses.map((iPAddress) => ({ iPAddress })),
    ...others.map((a) => (isIP(a) ? { iPAddress: `${a}/${isIP(a) === 4 ? 32 : 128}` } : { dNSName: a })),
  ];
  const permittedSubtrees = new GeneralSubtrees(
    bases.map((base) => new GeneralSubtree({ base: new GeneralName(base) })),
  );
  const bound = new NameConstraints({ permittedSubtrees });
  return new x509.Extension(id_ce_nameConstraints, true, AsnConvert.serialize(bound));
}

const familyOf = (address: string): 'ipv4' | 'ipv6' => (isIP(address) === 4 ? 'ipv4' : 'ipv6');
const ownAddresses = new BlockList();
for (const net of OWN_NETWORK.addresses) {
  const [address = '', bits] = net.split('/');
  ownAddresses.addSubnet(address, Number(bits), familyOf(address));
}
const inOwnNetwork = (address: string): boolean =>
  isIP(address)
    ? ownAddresses.check(address, familyOf(address))
    : OWN_NETWORK.names.some((name) => address === name || address.endsWith(`.${name}`));

/** Whether an authority is bound, and may speak for every address. */
function maySpeakFor({ cert }: Pair, addresses: readonly string[]): boolean {
  const bound = new x509.X509Certificate(cert).getExtension(id_ce_nameConstraints);
  if (!bound) return false;
  const permitted = AsnConvert.parse(bound.value, NameConstraints).permittedSubtrees ?? [];
  const named = permitted.map(({ base }) => base.dNSName ?? base.iPAddress?.replace(/\/(32|128)$/, ''));
  return addresses.every((a) => inOwnNetwork(a) || named.includes(a));
}

const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;

/** A certificate of that subject and its key; signed by itself, or by who is named. */
async function makePair(
  subject: string,
  { days, extensions, by }: { days: number; extensions: x509.Extension[]; by?: Pair },
): Promise<Pair> {
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const signer = by
    ? {
        issuer: new x509.X509Certificate(by.cert).subject,
        signingKey: await webcrypto.subtle.importKey(
          'pkcs8',
          x509.PemConverter.decodeFirst(by.key),
          KEYS,
          false,
          ['sign'],
        ),
      }
    : { issuer: subject, signingKey: keys.privateKey };
  const made = await x509.X509CertificateGenerator.create({
    serialNumber: randomBytes(16).toString('hex'),
    subject,
    ...signer,
    notAfter: daysFromNow(days),
    signingAlgorithm: KEYS,
    publicKey: keys.publicKey,
    extensions: [...extensions, await x509.SubjectKeyIdentifierExtension.create(keys.publicKey)],
  });
  const key = await webcrypto.subtle.exportKey('pkcs8', keys.privateKey);
  return { cert: made.toString('pem'), key: x509.PemConverter.encode(key, 'PRIVATE KEY') };
}

const makeAuthority = (addresses: readonly string[]): Promise<Pair> =>
  makePair('CN=Rusty Wren of this shop', {
    days: AUTHORITY_DAYS,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      boundTo(addresses),
    ],
  });

/** What it serves is in its alternative names; its subject is no name, which would be held against the bounds as well. */
export const makeServer = (authority: Pair, addresses: readonly string[]): Promise<Pair> =>
  makePair('CN=A bench of this shop', {
    days: SERVER_DAYS,
    by: authority,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        addresses.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
    ],
  });

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
 * What HTTPS is served with on these addresses: an authority that is made once and kept in the folder, bound to the shop's own
 * network and to what else it is asked for, and its certificate for them, made anew when they change or it is about to end.
 */
export async function lanCertificates(
  folder: string,
  addresses: readonly string[],
): Promise<LanCertificates> {
  let authority = await readPair(folder, 'authority');
  if (!authority || !holds(authority) || !maySpeakFor(authority, addresses)) {
    authority = await makeAuthority(addresses);
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
