import { follow, followBeside, followInSteps, type FollowInput } from '@/core/set/follow';
import { harmonyOnSheets } from '@/core/set/harmonyOnSheets';
import { lineContrasts } from '@/core/set/lineContrast';
import { followInput } from '@/core/set/recolourSet';
import { Breath } from './breath';
import { serve, type ServerScope } from './channel';
import { packFollowed } from './packedFollowed';
import type { FollowAsked, SheetCalls } from './protocol';

const inputOf = ({ set, sheets, samples, ends }: FollowAsked): FollowInput =>
  followInput(set, sheets, samples, ends);

serve<SheetCalls>(self as unknown as ServerScope, {
  async follow(asked) {
    const steps = followInSteps(inputOf(asked));
    const breath = new Breath(12);
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      await breath.take();
    }
    const answer = packFollowed(step.value);
    return { answer, transfer: [answer.packed.buffer] };
  },
  followBeside: (asked) => ({ answer: followBeside(inputOf(asked), asked.idle) }),
  contrasts(asked) {
    const input = inputOf(asked);
    return { answer: lineContrasts(input, follow(input)) };
  },
  harmony: (asked) => ({ answer: harmonyOnSheets(asked) }),
});
