import type { Server } from 'node:http';

interface SocketBounds {
  /** Sockets at once, and of one address. */
  readonly most: number;
  readonly mostOfAddress: number;
  /** ms without a byte after which a socket is closed; streams say something more often. */
  readonly quiet: number;
}

/** ms in which the head of a request must have come. */
const HEAD = 10_000;

/** Bounds what strangers may hold of a server: idle, slow or too many sockets are closed, so that others are still answered. */
export function boundSockets(server: Server, { most, mostOfAddress, quiet }: SocketBounds): void {
  server.maxConnections = most;
  server.headersTimeout = HEAD;
  server.keepAliveTimeout = HEAD;
  const held = new Map<string, number>();
  server.on('connection', (socket) => {
    const from = socket.remoteAddress ?? '';
    const count = (held.get(from) ?? 0) + 1;
    if (count > mostOfAddress) return void socket.destroy();
    held.set(from, count);
    socket.once('close', () => {
      const left = held.get(from)! - 1;
      if (left === 0) held.delete(from);
      else held.set(from, left);
    });
    // Until its first request it has less time.
    socket.setTimeout(Math.min(HEAD, quiet), () => socket.destroy());
  });
  server.on('request', ({ socket }) => socket.setTimeout(quiet));
  // A malformed request, or one that ends too soon.
  server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    if (error.code === 'ECONNRESET' || !socket.writable) return void socket.destroy();
    socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
  });
}
