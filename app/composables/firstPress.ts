/**
 * Whether a press is the first where it fell. In a list that closes up, what comes next slides under the finger, and the second half
 * of a double press was never meant for it.
 */
export const firstPress = (event: Event): boolean => (event as MouseEvent).detail < 2
