/** Whole numbers pushed one by one into a typed array that grows by half. */
export class Int32List {
  length = 0;
  private items = new Int32Array(1024);

  push(value: number): void {
    if (this.length === this.items.length) {
      const grown = new Int32Array(Math.ceil(this.items.length * 1.5));
      grown.set(this.items);
      this.items = grown;
    }
    this.items[this.length++] = value;
  }

  at(index: number): number {
    return this.items[index];
  }

  set(index: number, value: number): void {
    this.items[index] = value;
  }

  /** The numbers pushed so far, in an array of just their length. */
  done(): Int32Array {
    return this.items.slice(0, this.length);
  }
}
