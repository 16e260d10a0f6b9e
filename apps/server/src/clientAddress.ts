import type { Context } from 'hono';
import proxyAddress from 'proxy-addr';
import type { AppEnv } from './appEnv.ts';

/** Finds the address of the client of a request; what proxies say counts only where they are trusted. */
export type ClientAddress = (c: Context<AppEnv>) => string;

/** The client's address: the connection's own, or, through trusted proxies, the nearest that is not one of them. */
export function clientAddress(proxies: readonly string[]): ClientAddress {
  const isTrusted = proxyAddress.compile([...proxies]);
  return (c) => {
    const incoming = c.env?.incoming;
    return incoming === undefined ? '127.0.0.1' : proxyAddress(incoming as never, isTrusted);
  };
}
