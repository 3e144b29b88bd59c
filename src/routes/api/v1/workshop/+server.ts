import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { exportWorkshop, importWorkshop } from '$lib/server/workshop';

export const GET = route(endpoints.exportWorkshop, async () => {
  const { store, shelf } = await services();
  return new Response((await exportWorkshop(store, shelf)) as BodyInit, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="yellow-jumper-workshop.zip"'
    }
  });
});

export const POST = route(endpoints.importWorkshop, async ({ body }) => {
  const { store, shelf } = await services();
  return importWorkshop(store, shelf, body);
});
