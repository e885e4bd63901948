/**
 * A key that nobody else makes. Not `crypto.randomUUID`, which browsers keep from pages that came over plain HTTP, as in
 * a yard without a certificate.
 */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
