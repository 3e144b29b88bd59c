import { expect } from 'chai';
import { useServer } from '../support/server';

/** Most that the script of the first load of the Lines page may be, in bytes as it is sent. */
const MOST = 150_000;

describe('what a page loads', () => {
  const server = useServer();
  it('the script that the Lines page names is small enough as it is sent', async () => {
    const answer = await fetch(`${server.it.url}/builds/plover/lines`);
    const named = (answer.headers.get('link') ?? '') + (await answer.text());
    const scripts = new Set(named.match(/_app\/immutable\/[\w./-]+?\.js/g));
    expect(scripts.size).to.be.greaterThan(5);
    let sent = 0;
    for (const path of scripts) {
      const { headers, status } = await fetch(`${server.it.url}/${path}`, {
        method: 'HEAD',
        headers: { 'accept-encoding': 'br' }
      });
      expect([status, headers.get('content-encoding')], path).to.deep.equal([200, 'br']);
      sent += Number(headers.get('content-length'));
    }
    expect(sent, 'bytes').to.be.lessThan(MOST);
    console.log(`      ${Math.round(sent / 1000)} kB in ${scripts.size} files`);
  });
});
