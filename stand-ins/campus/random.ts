/** Numbers that are the same for the same seed (Park and Miller, 1988: the minimal standard generator). */
export class SeededRandom {
  private state: number;
  constructor(seed: number) {
    this.state = (Math.abs(Math.trunc(seed)) % 2_147_483_646) + 1;
  }
  /** A whole number from 0 up to, but not including, a bound. */
  below(bound: number): number {
    this.state = (this.state * 48_271) % 2_147_483_647;
    return this.state % bound;
  }
  /** True as often as the share says, 0 to 1. */
  happens(share: number): boolean {
    return share > 0 && this.below(1_000_000) < share * 1_000_000;
  }
  /** Some letters and digits. */
  letters(length: number): string {
    return Array.from({ length }, () => '0123456789abcdefghjkmnpqrstvwxyz'.charAt(this.below(32))).join('');
  }
}
