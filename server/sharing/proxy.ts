/** A proxy before the program that speaks TLS to the devices: the address that they use. */
export interface Proxy {
  readonly address: string;
  readonly host: string;
}

/** The proxy that NIMBLE_AXLE_TRUST_PROXY names by the address that devices use, such as `https://cars.school.example`; null for none. */
export function trustedProxy(): Proxy | null {
  const named = process.env.NIMBLE_AXLE_TRUST_PROXY?.trim();
  if (!named) return null;
  const url = URL.canParse(named) ? new URL(named) : null;
  if (url?.protocol !== 'https:' || url.pathname !== '/')
    throw new BadProxy(`NIMBLE_AXLE_TRUST_PROXY: "${named}" is not an address such as https://cars.school.example`);
  return { address: url.origin, host: url.host };
}

/** The setting cannot be used; the message says why. */
export class BadProxy extends Error {}
