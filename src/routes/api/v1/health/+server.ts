import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { databaseFile, dataFolder } from '$lib/server/database';
import { healthOf } from '$lib/server/keep';

export const GET = route(endpoints.health, async () => {
  const { file: _, ...health } = await healthOf((await builds()).db, databaseFile(dataFolder()), false);
  return health;
});
