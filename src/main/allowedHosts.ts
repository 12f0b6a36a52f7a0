/**
 * The names by which a browser may ask: that of the public address, of this machine for itself, and what the settings add. Any other is
 * somebody who points a name of their own at us.
 * @param origin the public address
 * @param port that is listened on
 * @param more names of the settings, with or without a port
 */
export function allowedHosts(origin: string, port: number, more: readonly string[]): (host: string | undefined) => boolean {
  const names = new Set([new URL(origin).host, `127.0.0.1:${port}`, `localhost:${port}`, `[::1]:${port}`]);
  for (const name of more) for (const each of [name, `${name}:${port}`]) names.add(each.toLowerCase());
  return (host) => host !== undefined && names.has(host.toLowerCase());
}
