/** Whether sheets are shown as they lie on the mat, or put together on the blank. */
export const laid = $state({ onMat: true });
