'use client';

import { verdictColour, VerdictMark } from '../shared/VerdictMark';
import { questions } from './answers';
import { useAsking, useEditing, useFiled } from './useBench';

/** The seven questions in the order of the work, each with its live answer. None blocks another. */
export function QuestionStrip() {
  const editing = useEditing();
  const filed = useFiled();
  const { question, ask } = useAsking();
  return (
    <nav
      aria-label="Questions"
      className="flex shrink-0 overflow-x-auto border-b border-line bg-sheet"
    >
      {questions.map(({ number, title, answer }) => {
        const { verdict, words } = answer({ ...editing, ...filed });
        const current = question === number;
        return (
          <button
            key={number}
            type="button"
            aria-current={current ? 'step' : undefined}
            aria-keyshortcuts={String(number)}
            onClick={() => ask(number)}
            className={`min-w-[124px] grow basis-0 border-t-[3px] border-r border-r-line px-3 py-1.5 text-left last:border-r-0 focus-visible:-outline-offset-2 ${current ? 'border-t-act bg-white' : 'border-t-transparent hover:bg-white'}`}
          >
            <span className="flex justify-between gap-1">
              <span className="truncate font-semibold">{title}</span>
              <span aria-hidden className="figure text-soft">
                {number}
              </span>
            </span>
            <span
              className={`flex truncate figure ${verdict ? verdictColour(verdict) : 'text-soft'}`}
              data-answer={number}
            >
              {verdict && (
                <span className="mr-1">
                  <VerdictMark verdict={verdict} />
                </span>
              )}
              <span className="truncate">{words}</span>
            </span>
          </button>
        );
      })}
    </nav>
  );
}
