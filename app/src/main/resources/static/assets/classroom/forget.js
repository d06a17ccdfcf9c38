// What one child did is never seen by the next: what this browser keeps of a visit goes.
export function forgetVisit() {
  try {
    sessionStorage.clear();
  } catch {
    // A browser that refuses to keep anything has nothing to forget.
  }
}
