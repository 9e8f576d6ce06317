/**
 * A fingerprint of numbers, bit by bit: FNV-1a, 64 bits, over the bytes of each float64 with the
 * least significant first (G. Fowler, L. C. Noll, K.-P. Vo, IETF draft "The FNV Non-Cryptographic
 * Hash Algorithm").
 */
export class Digest {
  #high = 0xcbf29ce4;
  #low = 0x84222325;
  readonly #bytes = new DataView(new ArrayBuffer(8));

  add(value: number): void {
    this.#bytes.setFloat64(0, value, true);
    for (let i = 0; i < 8; i++) {
      // times 2^40 + 0x1b3, in two halves of 32 bits
      const low = (this.#low ^ this.#bytes.getUint8(i)) >>> 0;
      const product = low * 0x1b3;
      const carry = Math.floor(product / 0x100000000);
      this.#high = (Math.imul(this.#high, 0x1b3) + carry + (low << 8)) >>> 0;
      this.#low = product >>> 0;
    }
  }

  /** Sixteen hexadecimal digits. */
  toString(): string {
    return [this.#high, this.#low].map((half) => half.toString(16).padStart(8, '0')).join('');
  }
}
