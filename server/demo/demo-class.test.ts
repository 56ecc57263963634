import { expect, it } from 'vitest';
import { stageOf } from '../../core/class/crew-progress.ts';
import type { CrewStanding } from '../../core/schema/crew-standing.ts';
import { serve } from '../testing.ts';
import { loadDemo } from './load-demo.ts';
import { DEMO_CLASS, loadDemoClass } from './load-demo-class.ts';

it('the demo’s class has four crews, each at another stage, and is loaded once', async () => {
  const served = serve();
  loadDemo(served.db);
  for (let n = 0; n < 2; n++) loadDemoClass(served.store, served.classes);
  const { crews } = (await served.get(`/classes/${DEMO_CLASS}/crews`)).body as { crews: CrewStanding[] };
  expect(crews.map((crew) => [stageOf(crew, crew.report), crew.car?.name ?? null, crew.runs])).toEqual([
    ['tuned', 'Limpet', 9],
    ['runs', 'Kelp Runner', 3],
    ['design', 'Tern', 0],
    ['not begun', null, 0],
  ]);
  // The owner's own cars are as they were.
  expect((await served.get('/cars')).body).toHaveLength(5);
  await served.remove(`/classes/${DEMO_CLASS}`);
  loadDemoClass(served.store, served.classes);
  expect((await served.get(`/classes/${DEMO_CLASS}`)).status).toBe(404);
  served.close();
});
