import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { checkedFile } from '$lib/server/compute';

export const POST = route(endpoints.check, ({ body, signal }) => checkedFile(body, signal));
