import { answer, api, isItsOwn, pause, Refusal, Unreachable } from '../api/client';
import type { AssetState } from '../api/types';
import { bytesOf, changes, countOf, drop, isSpoken, numbersOf, put, underWay, type Kept } from './keeper';
import { putPart } from './putPart';
import { ready, type Waiting } from './waiting';

/** It has been read, and no later try would change that: what was chosen as a file is chosen again. */
const FOR_GOOD = [400, 404, 409, 413, 415, 422];
/** Nobody has read it yet: whoever is not signed in may sign in again. */
const NOT_SIGNED_IN = 401;

/** Sends one thing in, whatever it is: part by part, again what was lost, on where it left off. All is kept until it is ready. */
export class Sender {
  private readonly held = new Set<number>();
  private working: Promise<void> | null = null;
  private stopped = false;

  constructor(
    private readonly kept: Kept,
    /** Hears what share of it has been sent. */
    private readonly tell: (share: number) => void = () => undefined,
  ) {
    underWay.add(kept.id);
  }

  /** A new part is kept: send it along. */
  nudge(): void {
    void this.work().catch(() => undefined);
  }

  stop(): void {
    this.stopped = true;
    underWay.delete(this.kept.id);
    changes.dispatchEvent(new Event('change'));
  }

  /** Its sender no longer wants it. */
  async giveUp(): Promise<void> {
    this.stop();
    await drop(this.kept);
    const { server } = this.kept;
    if (server)
      await answer(api.DELETE('/api/assets/{id}', { params: { path: { id: server } } })).catch(() => undefined);
  }

  /** Sends all that is left. Tries on while there is no connection, unless it is stopped. */
  async send(waiting: Waiting = () => undefined): Promise<void> {
    if (this.kept.whole?.size === 0) await this.refused(new Refusal(422, { code: 'file.empty' }));
    for (let patience = 800; ; patience = Math.min(patience * 1.5, 10_000)) {
      try {
        if (!this.stopped) await this.work();
        if (this.stopped) throw new Refusal(409, { code: 'arrivals.left-out' });
        await answer(
          api.POST('/api/assets/{id}/finish', {
            params: { path: { id: this.kept.server ?? '' } },
            body: {
              parts: await countOf(this.kept),
              steps: this.kept.steps,
              pointing: this.kept.pointing,
              recorded: this.kept.recorded,
            },
          }),
        );
        return;
      } catch (error) {
        if (error instanceof Refusal && error.missing.length > 0) {
          for (const number of error.missing) this.held.delete(number);
        } else if (error instanceof Refusal && error.status === 404 && this.kept.server && !this.stopped) {
          // The server has forgotten what nobody went on with: it is begun anew.
          delete this.kept.server;
          this.held.clear();
          await put(this.kept).catch(() => undefined);
        } else if (!(error instanceof Unreachable || isItsOwn(error)) || this.stopped) {
          await this.refused(error);
        }
        const busy = error instanceof Unreachable ? error.seconds : 0;
        waiting(busy === 0, error);
        await pause(busy > 0 ? busy : patience / 1000);
        waiting(false);
      }
    }
  }

  /** Sends all that is left and waits until it is made ready. */
  async settle(waiting: Waiting = () => undefined): Promise<AssetState> {
    await this.send(waiting);
    return this.prepared(waiting);
  }

  /** Waits until what was sent is made ready; only then is it no longer kept here. */
  async prepared(
    waiting: Waiting = () => undefined,
    /** Hears what share of it is made ready, where that takes long. */
    made: (share: number) => void = () => undefined,
  ): Promise<AssetState> {
    const state = await ready(this.kept.story, this.kept.server ?? '', waiting, made).catch((error) =>
      this.refused(error),
    );
    if (state.state === 'refused') await this.refused(new Refusal(422, state.problem ?? { code: 'file.not-prepared' }));
    await drop(this.kept).catch(() => undefined);
    this.stop();
    return state;
  }

  /**
   * What the server will never have is not offered for ever. What was spoken stays all the same, with why it was not had: it is nowhere
   * else, and its maker may hear it, save it, put it elsewhere.
   */
  private async refused(error: unknown): Promise<never> {
    const { kept } = this;
    if (error instanceof Refusal && !this.stopped) {
      if (isSpoken(kept)) {
        if (error.status !== NOT_SIGNED_IN) kept.refused = error.said;
        await put(kept).catch(() => undefined);
      } else if (FOR_GOOD.includes(error.status)) await drop(kept).catch(() => undefined);
    }
    this.stop();
    throw error;
  }

  private work(): Promise<void> {
    this.working ??= this.parts().finally(() => {
      this.working = null;
    });
    return this.working;
  }

  private async parts(): Promise<void> {
    const { kept } = this;
    if (this.stopped) return;
    if (!kept.server) {
      const made = await answer(
        api.POST('/api/stories/{id}/assets', {
          params: { path: { id: kept.story } },
          body: {
            kind: kept.kind,
            file: kept.file,
            slide: kept.slide,
            beside: kept.beside,
            layer: kept.layer,
            around: kept.around,
            after: kept.after,
            bytes: kept.whole?.size,
          },
        }),
      );
      kept.server = made.id;
      await put(kept).catch(() => undefined);
    } else if (this.held.size === 0) {
      const state = await answer(api.GET('/api/assets/{id}', { params: { path: { id: kept.server } } }));
      if (state.state !== 'sending') return;
      for (const number of state.parts) this.held.add(number);
    }
    for (let more = true; more;) {
      more = false;
      const numbers = await numbersOf(kept);
      for (const number of numbers) {
        if (this.stopped) return;
        if (this.held.has(number)) continue;
        const bytes = await bytesOf(kept, number);
        if (!bytes) continue;
        await putPart(kept.server, number, bytes, (share) => this.tell((this.held.size + share) / numbers.length));
        this.held.add(number);
        this.tell(this.held.size / numbers.length);
        more = true;
      }
    }
  }
}
