const inLanguages = async (languages: readonly string[]) => {
  jest.resetModules();
  jest.spyOn(navigator, 'languages', 'get').mockReturnValue(languages);
  return import('./dates');
};

describe('dates', () => {
  it.each([
    [['en-US', 'en'], 'Saturday March 13, 2027', 'Mar 13, 2027'],
    [['en-GB'], 'Saturday 13 March 2027', '13 Mar 2027'],
    [['de', 'en-US'], 'Saturday March 13, 2027', 'Mar 13, 2027'],
    [['de'], 'Saturday 13 March 2027', '13 Mar 2027'],
  ])('are written as %j writes them, with the year', async (languages, long, short) => {
    const { sayDate, sayShortDate } = await inLanguages(languages);
    expect(sayDate('2027-03-13')).toBe(long);
    expect(sayShortDate('2027-03-13T14:00:00Z', 'America/Chicago')).toBe(short);
    // Past midnight by UTC is the evening before on the water.
    expect(sayShortDate('2027-03-14T04:00:00Z', 'America/Chicago')).toBe(short);
  });

  it('leave what is no date as it is', async () => {
    const { sayDate } = await inLanguages(['en-GB']);
    expect(sayDate('soon')).toBe('soon');
  });
});
