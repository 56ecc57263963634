import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { describe, expect, it } from 'vitest';

const files = execFileSync('git', ['ls-files'], { encoding: 'utf8' }).split('\n');
const names = new Set(files.map((file) => basename(file)));
const PATH = /`([\w./-]*\w\.(?:tsx?|mjs|json|sql|css|svg|md))`/g;

describe('the documents', () => {
  const documents = ['README.md', ...readdirSync('docs').filter((name) => name.endsWith('.md')).map((name) => `docs/${name}`)]; // prettier-ignore
  it.each(documents)('%s names files that exist', (document) => {
    const named = [...readFileSync(document, 'utf8').matchAll(PATH)].map(([, path]) => path!);
    expect(named.filter((path) => (path.includes('/') ? !files.some((file) => file.endsWith(path)) : !names.has(path)))).toEqual([]);
  });
  it.each(documents)('%s leads to pages and pictures that exist', (document) => {
    const links = [...readFileSync(document, 'utf8').matchAll(/\]\((?!https?:|#)([^)#]+)/g)].map(([, link]) => link!);
    const folder = document.startsWith('docs/') ? 'docs/' : '';
    const resolved = links.map((link) => (link.startsWith('../') ? link.slice(3) : `${folder}${link}`));
    expect(resolved.filter((path) => !files.some((file) => file === path || file.startsWith(path)))).toEqual([]);
  });
});
