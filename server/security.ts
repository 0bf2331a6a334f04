import { randomBytes } from 'node:crypto';
import type { RequestHandler, Response } from 'express';
import helmet from 'helmet';
import { Refusal } from './problems';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i;

/** Only local names, on whichever port and in whichever case (RFC 3986, section 3.2.2), reach the server, so that a foreign name pointed at this machine does not (DNS rebinding). */
export const checkHost: RequestHandler = (request, _response, next) => {
  if (!LOCAL.test(request.headers.host ?? '')) throw new Refusal('foreign-host', 'Open it as localhost or 127.0.0.1.');
  next();
};

/** A page of another site may not change anything: its requests carry its own Origin. */
export const checkOrigin: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const safe = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  if (!safe && origin !== undefined && origin.toLowerCase() !== `http://${host ?? ''}`.toLowerCase())
    throw new Refusal('foreign-origin', `The request came from ${origin.slice(0, 100)}.`);
  next();
};

/** Headers for the application: nothing from elsewhere, no inline script, styles only with this answer's nonce. */
export const secureHeaders: RequestHandler = (request, response, next) => {
  const nonce = randomBytes(16).toString('base64');
  response.locals['nonce'] = nonce;
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", `'nonce-${nonce}'`],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        frameSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'self'"],
      },
    },
    strictTransportSecurity: false,
  })(request, response, next);
};

export const nonceOf = (response: Response): string => String(response.locals['nonce']);
