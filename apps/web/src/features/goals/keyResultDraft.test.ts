describe('the form of a key result', () => {
  it('makes what was filled in, and fills in what was made', () => {
    for (const measure of [
      { kind: 'number', unit: 'h', start: 0, target: 120 },
      { kind: 'yesNo' },
      { kind: 'habitDays', habitId: 'h', target: 30 },
    ] as KeyResultMeasure[]) {
      const made = keyResult(measure);
      expect(measureOfDraft(keyResultDraftOf(made))).toEqual(measure);
      expect(checkRecord('keyResults', made).issues).toEqual([]);
    }
  });

  it.each([
    [{ title: '', target: '5' }, 'title'],
    [{ title: 'K', target: '0' }, 'target'],
    [{ title: 'K', target: 'ten' }, 'target'],
    [{ title: 'K', kind: 'habitDays' as const, target: '5' }, 'habitId'],
    [{ title: 'K', target: '5', weight: '0' }, 'weight'],
  ])('%j is not right at %s', async (more, path) => {
    await expect(keyResultDraftSchema.validate({ ...emptyKeyResultDraft(), ...more })).rejects.toMatchObject({ path });
  });
});
