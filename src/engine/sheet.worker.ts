import {
  recolourSheets,
  recolourSheetsWithout,
  recolourSheetsInSteps,
  type SheetRecolourInput,
} from '@/core/set/recolourSheets';
import { harmonyOnSheets } from '@/core/set/harmonyOnSheets';
import { lineContrasts } from '@/core/set/lineContrast';
import { sheetRecolourInput } from '@/core/set/recolourSet';
import { MainThreadTurns } from './yieldToMain';
import { serve, type ServerScope } from './channel';
import { packRecolouredSheets } from './packedRecolouredSheets';
import type { SheetRecolourRequest, SheetCalls } from './protocol';

const inputOf = ({ set, sheets, samples, ends }: SheetRecolourRequest): SheetRecolourInput =>
  sheetRecolourInput(set, sheets, samples, ends);

serve<SheetCalls>(self as unknown as ServerScope, {
  async follow(asked) {
    const steps = recolourSheetsInSteps(inputOf(asked));
    const breath = new MainThreadTurns(12);
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      await breath.yieldToMain();
    }
    const answer = packRecolouredSheets(step.value);
    return { answer, transfer: [answer.packed.buffer] };
  },
  followBeside: (asked) => ({ answer: recolourSheetsWithout(inputOf(asked), asked.idle) }),
  contrasts(asked) {
    const input = inputOf(asked);
    return { answer: lineContrasts(input, recolourSheets(input)) };
  },
  harmony: (asked) => ({ answer: harmonyOnSheets(asked) }),
});
