import { bootPlan, fileText, writeFiles, type BootPlan } from '../../src/lib/core/boot';
import { kitOf } from '../../src/lib/core/kit';
import { type Build } from '../../src/lib/core/model';
import { startLabel } from '../../src/lib/words';
import { demo, parts } from './demo';

/** The plan of a build that has one. */
export const planOf = (build: Build): BootPlan => {
  const plan = bootPlan(kitOf(build, parts));
  if (typeof plan === 'string') throw new Error(plan);
  return plan;
};
/** A demo machine with another brief. */
export const withBrief = (id: string, brief: Partial<Build['brief']>, more: Partial<Build> = {}): Build => {
  const build = demo(id);
  return { ...build, ...more, brief: { ...build.brief, ...brief } };
};
/** The files of the plan of a build. */
export const written = (build: Build) => {
  const kit = kitOf(build, parts);
  return writeFiles(kit, planOf(build), startLabel);
};
/** One of them, as DOS reads it. */
export const text = (build: Build, name: string) =>
  fileText(written(build).files.find((f) => f.name === name)!);
/** A program for a brief. */
export const program = (id: string, wants: object) => ({ id, name: id, wants, needs: [] });
