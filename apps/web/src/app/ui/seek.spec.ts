import { seeker } from './seek';

const TEXTS = ['12 mar 2027 upper arm', '14 feb 2027 marina', '3 mar 2026 marina'];
const found = (typed: string) => TEXTS.filter(seeker(typed, TEXTS));

describe('seeking in a list', () => {
  it('takes words as they stand together first', () => expect(found(' Mar  2027 ')).toEqual([TEXTS[0]]));
  it('takes them in any order where they stand together nowhere', () =>
    expect(found('marina, 2026')).toEqual([TEXTS[2]]));
  it('finds all with nothing typed, and none of what is not there', () => {
    expect(found(' ')).toEqual(TEXTS);
    expect(found('april')).toEqual([]);
  });
});
