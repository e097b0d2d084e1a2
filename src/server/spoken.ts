import { fullName } from '@/core/model/fitted';
import { spokenMachine, type Spoken } from '@/core/library/spoken';
import type { PartKind } from '@/core/parts';
import { todayOf, type Service } from './service';

/** A machine in words as it is shown while somebody types. */
export interface SpokenView {
  readonly parts: readonly {
    readonly said: string;
    readonly kind: PartKind;
    readonly name: string;
    readonly between: readonly [string, string] | undefined;
    readonly canBe: number;
    readonly boughtOn: string | undefined;
  }[];
  readonly unknown: Spoken['unknown'];
}

export async function spokenView(service: Service, said: string): Promise<SpokenView> {
  const { data } = await service.catalogue();
  const { parts, unknown } = spokenMachine(said, data.parts, await todayOf(service));
  return {
    parts: parts.map(({ part, between, ...rest }) => ({
      ...rest,
      name: fullName(part),
      between: between && [fullName(between[0]), fullName(between[1])],
    })),
    unknown,
  };
}
