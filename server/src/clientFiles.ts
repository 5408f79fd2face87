import { serveStatic } from '@hono/node-server/serve-static';
import { Hono, type MiddlewareHandler } from 'hono';
import { etag } from 'hono/etag';
import { secureHeaders } from 'hono/secure-headers';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';

import type { AppEnv } from './environment';

/** Hashes of the page's inline scripts, which the content security policy then admits. */
function inlineScriptHashes(folder: string): string[] {
  const page = readFileSync(path.join(folder, 'index.html'), 'utf8');
  return [...page.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/gi)].map(
    ([, script = '']) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`,
  );
}

/** Serves the built client: hashed files for ever, the page always fresh, any client route as the page. */
export function clientFiles(folder: string) {
  const site = new Hono<AppEnv>();
  site.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // pictures are summed by a small module of WebAssembly that is part of the page's own code
        scriptSrc: ["'self'", "'wasm-unsafe-eval'", ...inlineScriptHashes(folder)],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
    }),
  );
  const files = (cacheControl: string, filePath?: string): MiddlewareHandler<AppEnv> => {
    const serve = serveStatic<AppEnv>({
      root: folder,
      precompressed: true,
      ...(filePath === undefined ? {} : { path: filePath }),
    });
    return async (context, next) => {
      const response = await serve(context, next);
      if (response instanceof Response) response.headers.set('Cache-Control', cacheControl);
      return response;
    };
  };
  for (const hashed of ['/_expo/*', '/assets/*']) {
    site.use(hashed, files('public, max-age=31536000, immutable'));
    site.all(hashed, (context) => context.text('Not found', 404)); // never the page in place of a missing script
  }
  site.use('*', etag({ weak: true }));
  site.use('*', files('no-cache'));
  site.get('*', async (context, next) =>
    path.extname(context.req.path) ? context.text('Not found', 404) : files('no-cache', 'index.html')(context, next),
  );
  return site;
}
