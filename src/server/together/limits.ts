import { MemoryStore, type ClientRateLimitInfo, type Options, type Store } from 'express-rate-limit';
import type { Redis } from 'ioredis';
import { RedisStore, type RedisReply } from 'rate-limit-redis';

/** Counts questions over all processes, and within this one while what they share is away. */
export class SharedCount implements Store {
  private readonly redis: Redis;
  private readonly here = new MemoryStore();
  private options: Options | undefined;
  private there: RedisStore | undefined;
  private readonly name: string;

  constructor(redis: Redis, name: string) {
    this.redis = redis;
    this.name = name;
  }

  init(options: Options): void {
    this.options = options;
    this.here.init(options);
  }

  increment(key: string): Promise<ClientRateLimitInfo> {
    return this.either((store) => store.increment(key));
  }

  async decrement(key: string): Promise<void> {
    await this.either((store) => store.decrement(key));
  }

  async resetKey(key: string): Promise<void> {
    await this.either((store) => store.resetKey(key));
  }

  private async either<Value>(ask: (store: RedisStore | MemoryStore) => Promise<Value> | Value): Promise<Value> {
    if (this.redis.status !== 'ready') return ask(this.here);
    try {
      return await ask((this.there ??= this.connect()));
    } catch {
      return ask(this.here);
    }
  }

  /** Once Redis is there, since the store gives it a script at its beginning. */
  private connect(): RedisStore {
    const store = new RedisStore({
      prefix: `refenestra:limit:${this.name}:`,
      sendCommand: (command: string, ...args: string[]) => this.redis.call(command, ...args) as Promise<RedisReply>,
    });
    void store.init(this.options!);
    return store;
  }
}
