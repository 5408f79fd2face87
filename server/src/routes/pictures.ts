import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { z } from 'zod';

import { idSchema } from '@sphene/core/gear';
import { requireAccount } from '../accounts/session';
import type { AppEnv } from '../environment';
import { addPart, MOST_PICTURE_BYTES, readPicture } from '../pictures/pictures';

const placeSchema = z.object({
  id: idSchema,
  from: z.coerce.number().int().min(0),
  size: z.coerce.number().int().min(1).max(MOST_PICTURE_BYTES),
});

/**
 * `PUT /:id?from&size`: a part of a frame's picture, added to what is there; the answer says how much that is, so that
 * a picture goes on where it stopped. `GET /:id`: the picture.
 */
export const pictureRoutes = () =>
  new Hono<AppEnv>()
    .use(requireAccount)
    .put('/:id', async (context) => {
      const place = placeSchema.safeParse({ id: context.req.param('id'), ...context.req.query() });
      if (!place.success) throw new HTTPException(400, { message: z.prettifyError(place.error) });
      const { id: frameId, from, size } = place.data;
      const bytes = new Uint8Array(await context.req.arrayBuffer());
      if (bytes.length === 0 || from + bytes.length > size)
        throw new HTTPException(400, { message: 'A part lies within the picture, and is not empty.' });
      const have = await addPart(context.var.dataSource, context.var.accountId, { frameId, from, size, bytes });
      if (have === null) throw new HTTPException(404, { message: 'There is no frame of this number.' });
      return context.json({ have });
    })
    .get('/:id', async (context) => {
      const id = idSchema.safeParse(context.req.param('id'));
      const bytes = id.success ? await readPicture(context.var.dataSource, context.var.accountId, id.data) : undefined;
      if (bytes === undefined)
        throw new HTTPException(404, { message: 'There is no picture of this frame, or not all of it yet.' });
      return context.body(new Uint8Array(bytes), 200, { 'Content-Type': 'image/jpeg' });
    });
