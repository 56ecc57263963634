import type { RequestHandler } from 'express';

/** One line a request on standard error where NIMBLE_AXLE_LOG=info: method, address, answer, ms; never what was sent. */
export const requestLog: RequestHandler = (request, response, next) => {
  if (process.env.NIMBLE_AXLE_LOG?.trim() !== 'info') return next();
  const begun = performance.now();
  const { method, originalUrl } = request;
  response.once('close', () =>
    process.stderr.write(
      `${new Date().toISOString()} ${method} ${originalUrl} ${response.statusCode} ${(performance.now() - begun).toFixed(1)} ms\n`,
    ),
  );
  next();
};
