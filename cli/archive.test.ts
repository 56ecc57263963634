import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { serve } from '../server/testing.ts';
import { loadDemo } from '../server/demo/load-demo.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import archiveCommand from './archive.ts';

const { folder, write } = filesFor('archive');
const zip = join(folder, 'everything.zip');
const archive = (...args: string[]) => runCommand(archiveCommand, args);

describe('npm run -s archive', () => {
  it('saves everything while the program runs, tells what is in it, and takes it into another folder', async () => {
    const full = serve();
    loadDemo(full.db);
    expect(await archive('out', zip, '--data', full.folder)).toMatchObject({ status: 0, stderr: '' });
    expect(existsSync(`${zip}.part`)).toBe(false);
    const target = join(folder, 'target');
    expect((await archive('look', zip, '--data', target)).stdout).toMatch(
      /^new: 5 cars, \d+ versions, 32 runs, 6 parts, 1 brief, 1 session, 0 photos, 1 meet, 5 entries, 19 results, 0 classes\nthe same: 0 cars/,
    );
    expect((await archive('in', zip, '--data', target)).stdout).toMatch(
      /imported: 5 cars, \d+ versions, 32 runs, 6 parts, 1 brief, 1 session, 0 photos, 1 meet, 5 entries, 19 results/,
    );
    full.db.exec("UPDATE cars SET version = 2, design = json_set(design, '$.mass', 0.31) WHERE rowid = 1");
    const differing = await archive('in', zip, '--data', full.folder);
    expect(differing.stdout).toMatch(/different here: 1\n {2}car /);
    expect(differing.stdout).toMatch(/imported: 0 cars/);
    expect((await archive('in', zip, '--replace', '--data', full.folder)).stdout).toMatch(/imported: 1 car/);
  });
  it.each([
    [['out'], /Give a command/],
    [['in', join(folder, 'nowhere.zip')], /does not exist/],
    [['out', zip, '--data', join(folder, 'nowhere')], /contains no data/],
    [['in', zip, '--overwrite'], /--overwrite/],
  ])('%j is refused with exit code 2', async (args, words) => {
    const { status, stdout, stderr } = await archive(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(words);
  });
  it('refuses what is no archive, in one line', async () => {
    expect(await archive('in', write('letter.txt', 'Dear Skerrow'), '--data', join(folder, 'other'))).toMatchObject({
      status: 2,
      stderr: 'not an archive that can be opened: it is not a zip file\n',
    });
  });
});
