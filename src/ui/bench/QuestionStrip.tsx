'use client';

import { HelpButton } from '../help/HelpButton';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';
import { questions } from './answers';
import { useAsking, useEditing, useFiled } from './useBench';

/** What each question is, in their order. */
const topicOf = ['size', 'part', 'colour', 'top', 'blend', 'heavy', 'file'] as const;

/** The seven questions in the order of the work, each with its live answer. None blocks another. */
export function QuestionStrip() {
  const editing = useEditing();
  const filed = useFiled();
  const { question, ask } = useAsking();
  return (
    <nav
      aria-label="Questions"
      data-tour="questions"
      className="flex shrink-0 overflow-x-auto border-b border-line bg-sheet"
    >
      {questions.map(({ number, title, answer }) => {
        const { verdict, words } = answer({ ...editing, ...filed });
        const current = question === number;
        return (
          <div
            key={number}
            className="relative flex min-w-[124px] grow basis-0 border-r border-r-line last:border-r-0"
          >
            <button
              type="button"
              aria-current={current ? 'step' : undefined}
              aria-keyshortcuts={String(number)}
              onClick={() => ask(number)}
              className={`min-w-0 grow border-t-[3px] px-3 py-1.5 text-left focus-visible:-outline-offset-2 ${current ? 'border-t-act bg-white' : 'border-t-transparent hover:bg-white'}`}
            >
              <span className="flex justify-between gap-1">
                <span className="truncate font-semibold">{title}</span>
                <span aria-hidden className={`figure text-soft ${current ? 'mr-6' : ''}`}>
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
            {current && (
              <HelpButton topic={topicOf[number - 1]} className="absolute top-2 right-2.5" />
            )}
          </div>
        );
      })}
    </nav>
  );
}
