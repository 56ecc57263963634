import { createChannel, createSession } from 'better-sse';
import type { RequestHandler, Response } from 'express';
import { sendProblem } from './problem.ts';

/** ms between two beats: a page that hears none knows that it is not connected. */
const BEAT = 15_000;
/** Streams of one phone; its oldest gives way to one more. */
const STREAMS_EACH = 3;

interface LiveBounds {
  /** Streams that all phones may hold together; the owner's are never refused. */
  readonly most: number;
  /** The phone that asks, by what it is known by; null for the owner. */
  readonly senderOf: (response: Response) => string | null;
}

/** News told to every page that listens. */
export interface Live {
  readonly tell: (news: unknown, event: string) => void;
  readonly listen: RequestHandler;
  readonly count: () => number;
  /** Ends every stream, and the beat. */
  readonly close: () => void;
}

/** A channel of news with a beat. */
export function liveChannel({ most, senderOf }: LiveBounds): Live {
  const channel = createChannel();
  const streams = new Map<string, readonly Response[]>();
  const held = (): number => [...streams.values()].reduce((sum, { length }) => sum + length, 0);
  const open = new Set<Response>();
  const beat = setInterval(() => channel.broadcast(null, 'beat'), BEAT).unref();
  return {
    tell: (news, event) => void channel.broadcast(news, event),
    count: () => channel.sessionCount,
    close: () => {
      clearInterval(beat);
      for (const response of open) response.end();
    },
    listen: async (request, response) => {
      // Asked for its head alone, there is nothing to wait for.
      if (request.method === 'HEAD') return void response.type('text/event-stream').end();
      const sender = senderOf(response);
      if (sender !== null) {
        const own = streams.get(sender) ?? [];
        if (own.length >= STREAMS_EACH) own[0]!.end();
        else if (held() >= most) {
          response.setHeader('Retry-After', '5');
          return sendProblem(response, { status: 503, title: `At most ${most} pages of phones can follow at once` });
        }
        streams.set(sender, [...own.slice(-STREAMS_EACH + 1), response]);
        response.once('close', () => {
          const left = (streams.get(sender) ?? []).filter((one) => one !== response);
          if (left.length === 0) streams.delete(sender);
          else streams.set(sender, left);
        });
      }
      open.add(response);
      response.once('close', () => open.delete(response));
      channel.register(await createSession(request, response));
    },
  };
}
