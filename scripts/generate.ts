/** Makes core/schema/generated/ from schemas/: the TypeScript types and the Ajv validators, compiled ahead so that the page needs no eval. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import standaloneModule from 'ajv/dist/standalone/index.js';
import { compile } from 'json-schema-to-typescript';

// A CommonJS package: its function is the module itself or its default, as the loader has it.
const standalone = ((standaloneModule as { default?: unknown }).default ?? standaloneModule) as typeof standaloneModule;

const root = new URL('..', import.meta.url);
const target = new URL('core/schema/generated/', root);
mkdirSync(target, { recursive: true });

const write = (name: string, text: string): void => writeFileSync(new URL(name, target), text);
const bannerComment = '/* Made from schemas/ by `npm run generate`. */';

const schemas = readdirSync(new URL('schemas/', root)).map((file) => ({
  name: file.replace('.schema.json', ''),
  schema: JSON.parse(readFileSync(new URL(`schemas/${file}`, root), 'utf8')),
}));

const ajv = new Ajv({
  allErrors: true,
  discriminator: true,
  // What several schemas share is compiled once.
  inlineRefs: false,
  verbose: true,
  schemas: schemas.map(({ schema }) => schema),
  code: { source: true, esm: true, lines: true },
});
addFormats.default(ajv);

const camel = (name: string): string => name.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase());

/** Ajv writes `require` for its runtime even in an ES module: turned into imports here. */
function withImports(code: string): string {
  const modules = new Map<string, string>();
  const body = code.replaceAll(/require\("([^"]+)"\)/g, (_, name: string) => {
    if (!modules.has(name)) modules.set(name, `runtime${modules.size}`);
    return modules.get(name)!;
  });
  // Loaders differ in whether they unwrap the default of a CommonJS module: both come to the same here.
  const imports = [...modules].map(
    ([name, local]) =>
      `import ${local}Module from '${name}.js';\nconst ${local} = typeof ${local}Module === 'function' ? { default: ${local}Module } : ${local}Module;`,
  );
  return `${imports.join('\n')}\n${body}`;
}
write(
  'validators.js',
  `${bannerComment}\n${withImports(standalone(ajv, Object.fromEntries(schemas.map(({ name, schema }) => [camel(name), schema.$id]))))}`,
);
write(
  'validators.d.ts',
  `${bannerComment}\nimport type { ValidateFunction } from 'ajv';\n${schemas.map(({ name }) => `export const ${camel(name)}: ValidateFunction;`).join('\n')}\n`,
);

const byId = new Map(schemas.map(({ schema }) => [schema.$id, schema]));
const resolver = { order: 1, canRead: /^urn:/, read: (file: { url: string }) => JSON.stringify(byId.get(file.url)) };
for (const { name, schema } of schemas)
  write(
    `${name}.ts`,
    await compile(structuredClone(schema), name, {
      bannerComment,
      additionalProperties: false,
      ignoreMinAndMaxItems: true,
      $refOptions: { resolve: { urn: resolver } },
    }),
  );
