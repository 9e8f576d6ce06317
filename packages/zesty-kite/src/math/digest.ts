/**
 * A fingerprint of numbers, bit by bit: FNV-1a, 64 bits, over the bytes of each float64 with the
 * least significant first (G. Fowler, L. C. Noll, K.-P. Vo, IETF draft "The FNV Non-Cryptographic
 * Hash Algorithm").
 */
export class Digest {
  #high = 0xcbf29ce4 | 0;
  #low = 0x84222325 | 0;
  readonly #number = new DataView(new ArrayBuffer(8));

  add(value: number): void {
    const number = this.#number;
    number.setFloat64(0, value, true);
    let high = this.#high;
    let low = this.#low;
    let bytes = 0;
    for (let i = 0; i < 8; i++) {
      bytes = i % 4 === 0 ? number.getInt32(i, true) : bytes >>> 8;
      // times 2^40 + 0x1b3, in two halves that stay whole numbers of 32 bits
      low ^= bytes & 0xff;
      const carry = ((low >>> 16) * 0x1b3 + (((low & 0xffff) * 0x1b3) >>> 16)) >>> 16;
      high = (Math.imul(high, 0x1b3) + carry + (low << 8)) | 0;
      low = Math.imul(low, 0x1b3);
    }
    this.#high = high;
    this.#low = low;
  }

  /** Sixteen hexadecimal digits. */
  toString(): string {
    return [this.#high, this.#low].map((half) => (half >>> 0).toString(16).padStart(8, '0')).join('');
  }
}
