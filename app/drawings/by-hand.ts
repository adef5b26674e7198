/** What is dragged in a drawing: a press that hardly moves is a press, and arrow keys are the drawing's own. */
export const byHand = { filterTaps: true, pointer: { keys: false } } as const;
