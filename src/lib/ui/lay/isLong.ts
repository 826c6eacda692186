/** A sheet or roll that is long is shown on its side: screens are wide. */
export const isLong = ({ width, height }: { width: number; height: number }): boolean => height > 1.3 * width;
