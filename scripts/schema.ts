// Writes the JSON Schemas of our own files from their Zod schemas; a test fails while the two differ.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

import { backupJsonSchema } from '@sphene/core/exchange';
import { setupFileJsonSchema } from '@sphene/core/formats';

const SCHEMAS = { 'setup-file': setupFileJsonSchema(), 'backup-file': backupJsonSchema() };

for (const [name, schema] of Object.entries(SCHEMAS))
  writeFileSync(
    fileURLToPath(new URL(`../docs/${name}.schema.json`, import.meta.url)),
    `${JSON.stringify(schema, null, 2)}\n`,
  );
