/**
 * Match weights in bits (Fellegi and Sunter 1969): how much more often evidence
 * agrees (or not) for the right one (m) than by chance for another (u).
 * @example agreement(0.95, 0.01) // 6.57
 */
export const agreement = (m: number, u: number): number => Math.log2(m / u);

/** @example disagreement(0.95, 0.01) // -4.31 */
export const disagreement = (m: number, u: number): number => Math.log2((1 - m) / (1 - u));
