// The types of the API as the page needs them, from its description: what is answered when all is well, and nothing
// that says only what is not there. Failures are problems of one kind, which the client reads by itself.
import { readFileSync, writeFileSync } from 'node:fs';
import openapiTS, { astToString } from 'openapi-typescript';

const WORDS = ['description', 'summary', 'title', 'tags', 'default', 'examples'];
const LIMITS = ['minimum', 'maximum', 'minLength', 'maxLength', 'minItems', 'maxItems', 'pattern', 'format'];

/** A part of the description without words and limits; names of fields that read the same stay. */
function plain(value, isNames = false) {
  if (Array.isArray(value)) return value.map((one) => plain(one));
  if (value === null || typeof value !== 'object') return value;
  const told = Object.entries(value).filter(([key]) => isNames || ![...WORDS, ...LIMITS].includes(key));
  return Object.fromEntries(
    told.map(([key, one]) => [key, plain(one, !isNames && (key === 'properties' || key === 'schemas'))]),
  );
}

const given = JSON.parse(readFileSync('openapi.json', 'utf8'));
for (const ways of Object.values(given.paths)) {
  for (const operation of Object.values(ways)) {
    const well = Object.entries(operation.responses).filter(([status]) => status.startsWith('2'));
    operation.responses = Object.fromEntries(well);
    // The client names the version of a job by itself.
    operation.parameters = (operation.parameters ?? []).filter((one) => one.in !== 'header');
  }
}
given.components = { schemas: given.components.schemas };
const types = astToString(await openapiTS(plain(given), { defaultNonNullable: false }));
const lean = types
  .replace(/^\s+\w+\?: never;\n/gm, '')
  .replace(/^\s+headers: \{\n\s+\[name: string\]: unknown;\n\s+\};\n/gm, '')
  .replace(/^\s+(parameters|headers|responses|requestBodies|pathItems): (\{\s*\}|never);\n/gm, '');
writeFileSync(
  'src/lib/api/generated.ts',
  `/** Made from the API's description by \`make api\`; do not change it by hand. */\n\n${lean}`,
);
