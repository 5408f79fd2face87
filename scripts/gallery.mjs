// Every part of the interface in every state on one page: what there is already, before it is written again.
import path from 'node:path';
import { pathToFileURL } from 'node:url';

import { ensureModules } from './npm.mjs';

ensureModules();
const { buildGallery } = await import('./galleryPage.mjs');
console.log(`The gallery: ${pathToFileURL(path.join(await buildGallery(), 'index.html'))}`);
