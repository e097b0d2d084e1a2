/** What a rule is about, by its id: told on the page of rules. A page that judges carries none of it. */
export type Told = Readonly<
  Record<
    string,
    {
      /** What holds when the rule passes. */
      readonly holds: string;
      readonly compares: string;
      readonly source: string;
    }
  >
>;
