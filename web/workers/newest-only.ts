/** The goal while another is worked on: only the newest counts. */
interface Asked<Question, Answer> {
  readonly question: Question;
  readonly deliver: (answer: Answer) => void;
  readonly fail: () => void;
}

/**
 * Works on one question at a time. Asking gives a way to take the question back: its answer is then not delivered. A question
 * overtaken before it was begun is never worked on. `pause` comes before each.
 */
export function newestOnly<Question, Answer>(work: (question: Question) => Promise<Answer>, pause: () => Promise<void>) {
  let next: Asked<Question, Answer> | null = null;
  let isBusy = false;
  const workOn = async (): Promise<void> => {
    isBusy = true;
    while (next) {
      await pause();
      const { question, deliver, fail }: Asked<Question, Answer> = next;
      next = null;
      try {
        deliver(await work(question));
      } catch (reason) {
        console.error(reason);
        fail();
      }
    }
    isBusy = false;
  };
  return (question: Question, deliver: (answer: Answer) => void, fail: () => void): (() => void) => {
    let isCurrent = true;
    next = { question, deliver: (answer) => isCurrent && deliver(answer), fail: () => isCurrent && fail() };
    if (!isBusy) void workOn();
    return () => {
      isCurrent = false;
    };
  };
}
