// Writes docs/setup-file.schema.json from the Zod schema; a test fails while the two differ.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

import { setupFileJsonSchema } from '@sphene/core/formats';

writeFileSync(
  fileURLToPath(new URL('../docs/setup-file.schema.json', import.meta.url)),
  `${JSON.stringify(setupFileJsonSchema(), null, 2)}\n`,
);
