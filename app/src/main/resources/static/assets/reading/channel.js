// Messages between two pages by way of the server: asked for all the time, said as they come, tried again when the network fails.
import { send } from '../platform/requests.js';

const RETRY_MS = 1500;

export class Channel {
  #after = 0;
  #open = true;

  /**
   * @param address of the messages
   * @param onMessage called with each
   */
  constructor(address, onMessage) {
    this.address = address;
    this.onMessage = onMessage;
  }

  #with(parameter) {
    return `${this.address}${this.address.includes('?') ? '&' : '?'}${parameter}`;
  }

  async listen() {
    while (this.#open) {
      try {
        const messages = await (await send('GET', this.#with(`after=${this.#after}`))).json();
        messages.forEach(({ number, says }) => {
          this.#after = number;
          if (this.#open) {
            this.onMessage(says);
          }
        });
      } catch (failure) {
        await new Promise((resolve) => { setTimeout(resolve, RETRY_MS); });
      }
    }
  }

  /** @return whether it arrived */
  async say(words) {
    try {
      await send('POST', this.address, JSON.stringify(words), { 'Content-Type': 'application/json' });
      return true;
    } catch (failure) {
      return false;
    }
  }

  close() {
    this.#open = false;
  }
}
