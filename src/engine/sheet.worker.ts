import { follow, type FollowInput } from '@/core/set/follow';
import { harmonyOnSheets } from '@/core/set/harmonyOnSheets';
import { lineContrasts } from '@/core/set/lineContrast';
import { followInput } from '@/core/set/recolourSet';
import { serve, type ServerScope } from './channel';
import { packFollowed } from './packedFollowed';
import type { FollowAsked, SheetCalls } from './protocol';

const inputOf = ({ set, sheets, samples, ends }: FollowAsked): FollowInput =>
  followInput(set, sheets, samples, ends);

serve<SheetCalls>(self as unknown as ServerScope, {
  follow(asked) {
    const answer = packFollowed(follow(inputOf(asked)));
    return { answer, transfer: [answer.packed.buffer] };
  },
  contrasts(asked) {
    const input = inputOf(asked);
    return { answer: lineContrasts(input, follow(input)) };
  },
  harmony: (asked) => ({ answer: harmonyOnSheets(asked) }),
});
