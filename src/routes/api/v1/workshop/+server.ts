import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { exportWorkshop, importWorkshop } from '$lib/server/workshop';

export const GET = route(endpoints.exportWorkshop, async ({ signal }) => {
  const { store, shelf } = await services();
  const { bytes, leftOut, unreadable } = await exportWorkshop(store, shelf, signal);
  return new Response(bytes as BodyInit, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="yellow-jumper-workshop.zip"',
      'x-left-out': `states=${leftOut.states}, photographs=${leftOut.photos}, unreadable=${unreadable}`
    }
  });
});

export const POST = route(endpoints.importWorkshop, async ({ body, signal }) => {
  const { store, shelf } = await services();
  return importWorkshop(store, shelf, body, signal);
});
