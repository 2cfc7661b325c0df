import { lookup as lookUpName } from 'node:dns/promises';
import { connect as connectTcp, type Socket } from 'node:net';
import { connect as connectTls, rootCertificates } from 'node:tls';
import type { buildConnector } from 'undici';
import { isPublicAddress } from '@/core/probe/private-address';
import { addressesByMap, type WebMap } from './web-map';

/** An address that nobody outside can reach: nothing was sent to it. */
export class PrivateAddress extends Error {
  readonly code = 'PRIVATE_ADDRESS';
}
/** There is no host of that name. */
export class NoSuchHost extends Error {
  readonly code = 'ENOTFOUND';
}

/** A connection that is about to be made, to an address that was looked at. */
export interface Connection {
  readonly address: string;
  readonly port: number;
  /** The name to be asked for by TLS (RFC 6066, 3); null for a plain connection. */
  readonly secureName: string | null;
  /** Certificates in PEM that are trusted besides the usual ones; empty where there are none. */
  readonly trusts: string;
}
export type OpenConnection = (connection: Connection) => Socket;

/** So long a connection may take, in milliseconds. */
const connectTimeout = 8_000;

/**
 * Makes connections to the outside web and to nothing else. The name is looked up here, every address that it has is
 * looked at, and the connection goes to the address that was looked at, so that a name can’t have another one a moment
 * later. Since each redirect makes its connection here, too, none leads inside.
 */
export class GuardedConnector {
  constructor(
    private readonly map: WebMap | null,
    private readonly open: OpenConnection = openSocket,
    private readonly lookUp: (name: string) => Promise<readonly string[]> = addressesOf,
  ) {}

  /** As undici asks for it. */
  readonly connect: buildConnector.connector = (options, callback) => {
    void this.connectTo(options).then(
      (socket) => callback(null, socket),
      (error: Error) => callback(error, null),
    );
  };

  private async connectTo({ hostname, protocol, port }: buildConnector.Options): Promise<Socket> {
    const name = hostname.replace(/^\[|\]$/g, '').toLowerCase();
    const isSecure = protocol === 'https:';
    const asked = port ? Number(port) : defaultPort(isSecure);
    const address = await this.publicAddressOf(name);
    const { map } = this;
    const trusts = map?.trusts ?? '';
    const to = map && { address: map.address, port: isSecure ? map.https : map.http };
    const secureName = isSecure ? name : null;
    return whenConnected(this.open({ address, port: asked, ...to, secureName, trusts }), isSecure);
  }

  /** The first address of a name. Every one of them must be public: one that is not may be meant for us. */
  private async publicAddressOf(name: string): Promise<string> {
    const isName = !isIpAddress(name);
    const addresses = isName ? await this.namedAddresses(name) : [name];
    const [first] = addresses;
    if (first === undefined) throw new NoSuchHost(`There is no host “${name}”.`);
    if (!addresses.every(isPublicAddress)) throw new PrivateAddress(`“${name}” is in a private network.`);
    return first;
  }

  private namedAddresses(name: string): Promise<readonly string[]> {
    // Names that always mean this computer or the network around it (RFC 6761, 6.3; RFC 6762, 3; RFC 8375).
    if (/(^|\.)(localhost|local|home\.arpa|internal)\.?$/.test(name))
      throw new PrivateAddress(`“${name}” is in a private network.`);
    return this.map ? Promise.resolve(addressesByMap(this.map, name)) : this.lookUp(name);
  }
}

const defaultPort = (isSecure: boolean): number => (isSecure ? 443 : 80);
const isIpAddress = (name: string): boolean => /^[\d.]+$/.test(name) || name.includes(':');

const addressesOf = async (name: string): Promise<readonly string[]> =>
  (await lookUpName(name, { all: true })).map(({ address }) => address);

export function openSocket({ address, port, secureName, trusts }: Connection): Socket {
  if (secureName === null) return connectTcp({ host: address, port });
  return connectTls({
    host: address,
    port,
    servername: isIpAddress(secureName) ? '' : secureName,
    ca: trusts === '' ? [...rootCertificates] : [...rootCertificates, trusts],
    ALPNProtocols: ['http/1.1'],
  });
}

/** Resolves when the connection stands, the certificate looked at. */
function whenConnected(socket: Socket, isSecure: boolean): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const fail = (error: Error) => {
      socket.destroy();
      reject(error);
    };
    const timer = setTimeout(() => fail(new ConnectTimeout('The connection took too long.')), connectTimeout);
    socket.once('error', (error) => {
      clearTimeout(timer);
      fail(error);
    });
    socket.once(isSecure ? 'secureConnect' : 'connect', () => {
      clearTimeout(timer);
      socket.setNoDelay(true);
      resolve(socket);
    });
  });
}

class ConnectTimeout extends Error {
  readonly code = 'UND_ERR_CONNECT_TIMEOUT';
}
