/**
 * Runs one task at a time, always with the newest input: while one is under way, later inputs wait and only
 * the last of them is run. Nothing is answered out of order and nothing storms the server.
 */
export class Latest<Input, Output> {
  private running = false;
  private waiting: { input: Input } | null = null;

  constructor(
    private readonly run: (input: Input) => Promise<Output>,
    private readonly done: (input: Input, output: Output) => void,
    private readonly failed: (input: Input, error: unknown) => void,
  ) {}

  /** True while anything is under way or waiting. */
  get busy(): boolean {
    return this.running || this.waiting !== null;
  }

  /** Hand in the newest input. */
  offer(input: Input): void {
    this.waiting = { input };
    if (!this.running) void this.next();
  }

  private async next(): Promise<void> {
    this.running = true;
    while (this.waiting) {
      const { input } = this.waiting;
      this.waiting = null;
      try {
        this.done(input, await this.run(input));
      } catch (error) {
        this.failed(input, error);
      }
    }
    this.running = false;
  }
}
