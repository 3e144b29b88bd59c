import { expect } from 'chai';
import { answerTo, statements } from './table';

describe('the table of truths', () => {
  const all = statements();
  it('holds at least 400 statements, each once', () => {
    expect(all.length).to.be.at.least(400);
    expect(new Set(all.map((s) => `${s.kind} ${s.question}`)).size).to.equal(all.length);
  });
  it('agrees with what the program says', () => {
    const wrong = all
      .map((s) => ({ s, said: answerTo(s) }))
      .filter(({ s, said }) => said !== s.answer)
      .map(({ s, said }) => `${s.file}:${s.line} ${s.kind} ${s.question}: is ${s.answer}, said ${said}`);
    expect(wrong).to.deep.equal([]);
  });
});
