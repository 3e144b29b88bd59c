import { join } from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import { press, sees, upload, useBench } from '../support/browser';

/** What is deleted can be brought back where it was deleted; builds and things of the shelf lie in a bin besides. */
describe('what was deleted comes back', () => {
  const bench = useBench();
  const kept = async (path: string): Promise<boolean> =>
    (await fetch(`${bench.server.url}/api/v1${path}`)).status === 200;

  it('a notebook, with all its starts', async () => {
    const notebooks = () => bench.api<{ notebooks: { notebook: { id: string } }[] }>('GET', '/notebooks');
    const of = async () => (await notebooks()).notebooks.find((n) => n.notebook.id === 'loft-xt')?.notebook;
    const before = await of();
    await bench.open('/notebook?id=loft-xt');
    await press(bench.page, 'Delete Loft XT');
    await sees(bench.page, 'was deleted.');
    expect(await of()).to.equal(undefined);
    await press(bench.page, 'Bring it back');
    await bench.page.waitForFunction(() => document.querySelector('main [role="status"]')?.textContent);
    await sees(bench.page, 'The next safe try');
    await bench.page.waitForFunction(() => !document.body.textContent?.includes('was deleted.'));
    for (let n = 0; n < 50 && !(await of()); n++) await new Promise((r) => setTimeout(r, 100));
    expect(await of()).to.deep.equal(before);
  });

  it('a photograph, with its marks', async () => {
    const file = join(bench.server.folder, 'front.png');
    const plain = { create: { width: 80, height: 60, channels: 3 as const, background: '#705020' } };
    await sharp(plain).png().toFile(file);
    const photos = async () =>
      (await bench.api<{ photos: { id: string; name: string; marks: unknown[] }[] }>('GET', '/shelf/mono'))
        .photos;
    await bench.open('/shelf/mono');
    await upload(bench.page, 'input[type="file"]', file);
    await sees(bench.page, 'front.png');
    const [first] = await photos();
    const marks = [{ x: 0.5, y: 0.5, text: 'pin 1' }];
    await bench.api('PUT', `/shelf/mono/photos/${first!.id}`, { marks });
    await bench.open('/shelf/mono');
    await press(bench.page, 'Delete photograph front.png');
    await sees(bench.page, 'front.png was deleted.');
    expect(await photos()).to.deep.equal([]);
    await press(bench.page, 'Bring it back');
    await bench.page.waitForFunction(
      () => (document.querySelector('figure img') as HTMLImageElement | null)?.naturalWidth === 80
    );
    for (let n = 0; n < 50 && !(await photos())[0]?.marks.length; n++)
      await new Promise((r) => setTimeout(r, 100));
    const [back] = await photos();
    expect([back!.name, back!.marks]).to.deep.equal(['front.png', marks]);
  });

  it('a part of one’s own, also after a reload', async () => {
    const part = await bench.api<object>('GET', '/parts/harl-n8');
    await bench.api('PUT', '/parts/quay-n8', { part: { ...part, id: 'quay-n8', name: 'Quay N8' } });
    await bench.open('/catalogue/edit?id=quay-n8');
    await press(bench.page, 'Delete');
    await sees(bench.page, 'Quay N8 was deleted.');
    expect(await kept('/parts/quay-n8')).to.equal(false);
    await press(bench.page, 'Bring it back');
    await sees(bench.page, 'Saved.');
    expect(await kept('/parts/quay-n8')).to.equal(true);
    await press(bench.page, 'Delete');
    await sees(bench.page, 'Quay N8 was deleted.');
    await bench.page.reload();
    await bench.page.waitForFunction(
      () => (document.querySelector('#p-name') as HTMLInputElement | null)?.value === 'Quay N8'
    );
  });
});
