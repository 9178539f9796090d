/** For kinds whose inputs list the partner pieces that are left out: how they are read and set. */
export const partnersIn = {
  of: (inputs: { leftOut: string[] }): readonly string[] => inputs.leftOut,
  set: <I extends { leftOut: string[] }>(inputs: I, pieceIds: string[]): I => ({ ...inputs, leftOut: pieceIds }),
}
