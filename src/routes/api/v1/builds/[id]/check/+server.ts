import { check, isClean } from '$lib/core/check';
import { answer, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

export const GET = ({ params }) =>
  answer(async () => {
    const store = await builds();
    const { build } = await store.get(params.id);
    const findings = check(build, await store.parts());
    return json({ status: isClean(findings) ? 'clean' : 'clash', findings });
  });
