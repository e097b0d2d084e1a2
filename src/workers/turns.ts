/** A place among what is asked at once. */
export interface Turn {
  /** How long it was answered, s, without the time that it waited for others. */
  readonly seconds: () => number;
  readonly stopped: () => boolean;
  /** Whether something that was asked after it is answered now. */
  readonly waits: () => boolean;
  /** Comes when it need not wait any more: it goes on, or was stopped. */
  readonly again: () => Promise<void>;
}

interface Place {
  readonly of: string;
  ranMs: number;
  /** Since when it is answered; undefined while it waits. */
  since: number | undefined;
  stopped: boolean;
  woken: () => void;
}

/**
 * Whoever asks last is answered first, and what was under way goes on after it: nothing that was asked is lost by asking
 * something else. Of each kind one is answered: asking again ends what was asked of that kind before.
 */
export class Turns {
  /** The last is answered, the others wait. */
  readonly #open: Place[] = [];

  constructor(private readonly now: () => number = () => performance.now()) {}

  /** Takes a turn of a kind for as long as the work goes on. */
  async take<T>(of: string, work: (turn: Turn) => Promise<T>): Promise<T> {
    this.stop(of);
    const place: Place = { of, ranMs: 0, since: undefined, stopped: false, woken: () => undefined };
    this.#open.push(place);
    this.#settle();
    try {
      return await work({
        seconds: () => (place.ranMs + (place.since === undefined ? 0 : this.now() - place.since)) / 1000,
        stopped: () => place.stopped,
        waits: () => !place.stopped && this.#open.at(-1) !== place,
        again: () =>
          place.stopped || this.#open.at(-1) === place
            ? Promise.resolve()
            : new Promise((resolve) => (place.woken = resolve)),
      });
    } finally {
      this.#leave([place]);
    }
  }

  /** Stops what was asked of a kind, whether it is answered or waits; all that was asked where no kind is named. */
  stop(of?: string): void {
    this.#leave(this.#open.filter((place) => of === undefined || place.of === of));
  }

  #leave(places: readonly Place[]): void {
    for (const place of places) {
      const at = this.#open.indexOf(place);
      if (at < 0) continue;
      this.#open.splice(at, 1);
      place.stopped = true;
      this.#rest(place);
      place.woken();
    }
    this.#settle();
  }

  /** Gives the turn to the last, and takes it from all others. */
  #settle(): void {
    for (const place of this.#open.slice(0, -1)) this.#rest(place);
    const last = this.#open.at(-1);
    if (!last) return;
    last.since ??= this.now();
    last.woken();
  }

  #rest(place: Place): void {
    if (place.since !== undefined) place.ranMs += this.now() - place.since;
    place.since = undefined;
  }
}
