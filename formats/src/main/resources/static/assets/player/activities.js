// What a child is doing on a page. Each activity says whether it may be left, and is waited for when it is left:
// { canLeave(): boolean or a promise of it, leave(): nothing or a promise }.

class Activities {
  #all = new Set();

  /** @return ends it */
  add(activity) {
    this.#all.add(activity);
    return () => this.#all.delete(activity);
  }

  /** Leaves all of them, unless one may not be left; answers whether it did. */
  async leave() {
    const all = [...this.#all];
    for (const activity of all) {
      if (!await activity.canLeave()) {
        return false;
      }
    }
    for (const activity of all) {
      await activity.leave();
    }
    return true;
  }
}

/** Those of this page. */
export const activities = new Activities();
