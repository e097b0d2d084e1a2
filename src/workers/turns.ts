/** A place among what is asked at once. */
export interface Turn {
  /** How long it was answered, s, without the time that it waited for others; what is answered side by side shares it. */
  readonly seconds: () => number;
  readonly stopped: () => boolean;
  /** Whether something that goes before it is answered now. */
  readonly waits: () => boolean;
  /** Comes when it need not wait any more: it goes on, or was stopped. */
  readonly again: () => Promise<void>;
  /** Lets what is worked out ahead go on beside it from now on. */
  readonly spare: () => void;
}

interface Place {
  readonly of: string;
  /** Nobody has asked for it yet. */
  ahead: boolean;
  spares: boolean;
  ranMs: number;
  stopped: boolean;
  woken: () => void;
}

/**
 * Whoever asks last is answered first, and what was under way goes on after it: nothing that was asked is lost by asking
 * something else. What is worked out ahead of being asked for goes after all that was asked, one after the other, or beside
 * what spares a share of its time. Of each kind one is answered: asking again ends what was asked of that kind before.
 */
export class Turns {
  /** What was asked for: the last is answered, the others wait. */
  readonly #open: Place[] = [];
  /** Those that are answered now: one, or one of each sort. */
  #running: readonly Place[] = [];
  #since: number;

  constructor(private readonly now: () => number = () => performance.now()) {
    this.#since = now();
  }

  /** Takes a turn of a kind for as long as the work goes on. */
  async take<T>(of: string, work: (turn: Turn) => Promise<T>, ahead = false): Promise<T> {
    this.stop(of);
    const place: Place = { of, ahead, spares: false, ranMs: 0, stopped: false, woken: () => undefined };
    this.#open.push(place);
    this.#settle();
    const runs = (): boolean => this.#running.includes(place);
    try {
      return await work({
        seconds: () => (this.#count(), place.ranMs / 1000),
        stopped: () => place.stopped,
        waits: () => !place.stopped && !runs(),
        again: () => (place.stopped || runs() ? Promise.resolve() : new Promise((resolve) => (place.woken = resolve))),
        spare: () => {
          if (place.spares) return;
          place.spares = true;
          this.#settle();
        },
      });
    } finally {
      this.#leave([place]);
    }
  }

  /** What was worked out ahead is asked for now: it goes before all else. */
  hasten(of: string): void {
    const at = this.#open.findIndex((place) => place.of === of && place.ahead);
    const [place] = at < 0 ? [] : this.#open.splice(at, 1);
    if (!place) return;
    place.ahead = false;
    this.#open.push(place);
    this.#settle();
  }

  /** Stops what is answered of a kind, whether it is its turn or it waits; all of it where no kind is named. */
  stop(of?: string): void {
    this.#leave(this.#open.filter((place) => of === undefined || place.of === of));
  }

  #leave(places: readonly Place[]): void {
    this.#count();
    for (const place of places) {
      const at = this.#open.indexOf(place);
      if (at < 0) continue;
      this.#open.splice(at, 1);
      place.stopped = true;
      place.woken();
    }
    this.#settle();
  }

  /** Gives the turn to what was asked last, and to what is worked out ahead where that is spared some or nothing is asked. */
  #settle(): void {
    this.#count();
    const asked = this.#open.findLast(({ ahead }) => !ahead);
    const ahead = asked && !asked.spares ? undefined : this.#open.find(({ ahead }) => ahead);
    this.#running = [asked, ahead].filter((place) => place !== undefined);
    for (const place of this.#running) place.woken();
  }

  /** Shares the time since the last change between those that were answered in it. */
  #count(): void {
    const now = this.now();
    for (const place of this.#running) place.ranMs += (now - this.#since) / this.#running.length;
    this.#since = now;
  }
}
