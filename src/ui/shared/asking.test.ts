import { afterEach, describe, expect, test, vi } from 'vitest';
import { QueryObserver, type UseQueryResult } from '@tanstack/react-query';
import { answerOf, askAnew, boxed, libraryUrl, newAsking, NotThere, readJson, sheetUrl, unboxed } from './asking';

/** The app answers once with this status and body, and remembers what it was asked. */
function answering(status: number, body: unknown = {}) {
  const fetched = vi.fn((_url: string, _how?: RequestInit) =>
    Promise.resolve(new Response(JSON.stringify(body), { status })),
  );
  vi.stubGlobal('fetch', fetched);
  return fetched;
}
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('asking anew', () => {
  /** Somebody looks at what is asked for; each answer comes when it is let go. */
  function watched() {
    const client = newAsking();
    const answers: ((text: string) => void)[] = [];
    const queryFn = ({ signal }: { signal: AbortSignal }) =>
      new Promise<string>((resolve, reject) => {
        signal.addEventListener('abort', () => reject(new Error('given up')));
        answers.push(resolve);
      });
    const observer = new QueryObserver<string>(client, { queryKey: ['job'], queryFn, retry: false });
    const unsubscribe = observer.subscribe(() => undefined);
    return { client, answers, said: () => observer.getCurrentResult(), unsubscribe };
  }

  test('what was on its way when something was done is not the answer', async () => {
    const { client, answers, said, unsubscribe } = watched();
    expect(answers).toHaveLength(1);
    const anew = askAnew(client, ['job']);
    await vi.waitFor(() => expect(answers).toHaveLength(2));
    answers[0]?.('none');
    answers[1]?.('running');
    await anew;
    expect(said().data).toBe('running');
    expect(said().error).toBeNull();
    unsubscribe();
  });

  test('an answer that is there stays until the new one comes', async () => {
    const { client, answers, said, unsubscribe } = watched();
    answers[0]?.('none');
    await vi.waitFor(() => expect(said().data).toBe('none'));
    const anew = askAnew(client, ['job']);
    await vi.waitFor(() => expect(answers).toHaveLength(2));
    expect(said().data).toBe('none');
    answers[1]?.('checked');
    await anew;
    expect(said().data).toBe('checked');
    unsubscribe();
  });
});

describe('reading from the app', () => {
  test('what it answers is given on', async () => {
    const fetched = answering(200, { total: 3 });
    expect(await readJson('/api/prices')).toEqual({ total: 3 });
    expect(fetched).toHaveBeenCalledWith('/api/prices', {});
  });

  test('what is gone is told apart from what went wrong', async () => {
    answering(404);
    await expect(readJson('/api/library/x')).rejects.toBeInstanceOf(NotThere);
    answering(503);
    await expect(readJson('/api/library/x')).rejects.toThrow('the app answered 503');
  });

  test('who no longer asks gives the question up', async () => {
    const fetched = answering(200);
    const control = new AbortController();
    await readJson('/api/prices', control.signal);
    expect(fetched.mock.calls[0]?.[1]?.signal).toBe(control.signal);
  });

  test('names and questions are escaped', () => {
    expect(sheetUrl('a/b?c')).toBe('/api/library/a%2Fb%3Fc');
    expect(JSON.parse(decodeURIComponent(libraryUrl({ text: '≥ 16 GB & more' }).split('q=')[1] ?? ''))).toEqual({
      text: '≥ 16 GB & more',
    });
  });
});

describe('what is shown of a question', () => {
  const result = (more: object) =>
    ({ data: undefined, error: null, isPlaceholderData: false, ...more }) as UseQueryResult<number>;

  test('it is on its way until there is something', () => {
    expect(answerOf(result({}))).toEqual({ state: 'waiting' });
    expect(answerOf(result({ data: 0 }))).toEqual({ state: 'ready', value: 0 });
    expect(answerOf(result({ error: new Error('the app answered 500') }))).toEqual({
      state: 'failed',
      message: 'the app answered 500',
    });
  });

  test('the answer to an older question is none to this one', () => {
    expect(answerOf(result({ data: 7, isPlaceholderData: true }))).toEqual({ state: 'waiting' });
  });
});

describe('asking', () => {
  test('the same is asked once and given as it came; another key is asked for itself', async () => {
    const asking = newAsking();
    // what works a figure out when it is looked at must not be copied
    const lazily = () => ({ figure: () => 1 });
    const ask = vi.fn(() => Promise.resolve(lazily()));
    const first = await asking.fetchQuery({ queryKey: ['worker', 1], queryFn: ask, staleTime: Infinity });
    const again = await asking.fetchQuery({ queryKey: ['worker', 1], queryFn: ask, staleTime: Infinity });
    expect(again).toBe(first);
    await asking.fetchQuery({ queryKey: ['worker', 2], queryFn: ask, staleTime: Infinity });
    expect(ask).toHaveBeenCalledTimes(2);
    asking.clear();
  });

  test('that there is nothing is an answer, not a failure', async () => {
    const asking = newAsking();
    const none = (): Promise<number | undefined> => Promise.resolve(undefined);
    const data = await asking.fetchQuery({ queryKey: ['boxed'], queryFn: () => boxed(none()) });
    expect(unboxed({ data, error: null })).toEqual({ state: 'ready', value: undefined });
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    await expect(asking.fetchQuery({ queryKey: ['bare'], queryFn: none, retry: false })).rejects.toThrow();
    expect(unboxed({ data: undefined, error: null })).toEqual({ state: 'waiting' });
    expect(unboxed({ data: undefined, error: new Error('it stopped') })).toMatchObject({ state: 'failed' });
  });
});
