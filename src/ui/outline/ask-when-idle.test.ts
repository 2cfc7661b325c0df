import { AskWhenIdle } from './ask-when-idle';

/** A promise that ends when it is told to. */
function held<T>(): { readonly promise: Promise<T>; end(value: T): void } {
  let end: (value: T) => void = () => undefined;
  const promise = new Promise<T>((resolve) => (end = resolve));
  return { promise, end };
}

const turn = () => new Promise((resolve) => setImmediate(resolve));

describe('asking for the outline anew', () => {
  test('nothing is asked where nothing was wished for', async () => {
    const ask = jest.fn(async () => 'outline');
    const asking = new AskWhenIdle(ask, jest.fn());
    await asking.during(Promise.resolve());
    await turn();
    expect(ask).not.toHaveBeenCalled();
  });

  test('one question answers several gestures, after the last of them', async () => {
    const ask = jest.fn(async () => 'outline');
    const shown = jest.fn();
    const asking = new AskWhenIdle(ask, shown);
    const [first, second] = [held<void>(), held<void>()];
    void asking.during(first.promise);
    void asking.during(second.promise);
    asking.wish();
    first.end();
    await turn();
    expect(ask).not.toHaveBeenCalled();
    second.end();
    await turn();
    expect(ask).toHaveBeenCalledTimes(1);
    expect(shown).toHaveBeenCalledWith('outline');
  });

  test('an answer that was overtaken by what was done meanwhile is not shown, and asked for again', async () => {
    const answers = [held<string>(), held<string>()];
    const shown = jest.fn();
    let asked = 0;
    const asking = new AskWhenIdle(() => {
      asked += 1;
      return answers[asked - 1]?.promise ?? Promise.resolve(null);
    }, shown);
    asking.wish();
    await asking.during(Promise.resolve());
    const undoing = held<void>();
    const done = asking.during(undoing.promise);
    answers[0]?.end('with what was taken back');
    await turn();
    expect(shown).not.toHaveBeenCalled();
    undoing.end();
    await done;
    answers[1]?.end('without it');
    await turn();
    expect(asked).toBe(2);
    expect(shown.mock.calls).toEqual([['without it']]);
  });

  test('work that fails counts as ended, and its failure is told', async () => {
    const ask = jest.fn(async () => null);
    const shown = jest.fn();
    const asking = new AskWhenIdle(ask, shown);
    asking.wish();
    await expect(asking.during(Promise.reject(new Error('gone')))).rejects.toThrow('gone');
    await turn();
    expect(ask).toHaveBeenCalledTimes(1);
    expect(shown).not.toHaveBeenCalled();
  });
});
