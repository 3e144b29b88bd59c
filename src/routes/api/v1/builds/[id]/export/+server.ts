import { answer } from '$lib/server/api';
import { builds } from '$lib/server/context';

export const GET = ({ params }) =>
  answer(
    async () =>
      new Response(await (await builds()).exportFile(params.id), {
        headers: {
          'content-type': 'application/json',
          // The id is made of letters, digits and hyphens only.
          'content-disposition': `attachment; filename="${params.id.replace(/[^a-z0-9-]/g, '')}.json"`
        }
      })
  );
