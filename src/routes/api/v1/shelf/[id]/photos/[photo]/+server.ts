import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(
  endpoints.getPhoto,
  async ({ params }) =>
    new Response((await (await services()).shelf.photo(params.id, params.photo)) as BodyInit, {
      headers: {
        'content-type': 'image/jpeg',
        'x-content-type-options': 'nosniff',
        'cache-control': 'private, max-age=31536000, immutable'
      }
    })
);
export const PUT = route(endpoints.markPhoto, async ({ params, body }) =>
  (await services()).shelf.markPhoto(params.id, params.photo, body.marks)
);
export const DELETE = route(endpoints.removePhoto, async ({ params }) =>
  (await services()).shelf.removePhoto(params.id, params.photo)
);
