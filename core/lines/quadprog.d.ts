/** A port of R's quadprog: min ½ xᵀDx − dᵀx with Aᵀx ≥ b, the first `meq` of them equalities; all arrays from 1. */
declare module 'quadprog' {
  export const solveQP: (
    ...given: [Dmat: number[][], dvec: number[], Amat: number[][], bvec: number[], meq: number]
  ) => { solution: number[]; message: string }
}
