import { endpoints } from '$lib/server/api/endpoints';
import { openApi } from '$lib/server/api/openapi';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.describe, async () => openApi());
