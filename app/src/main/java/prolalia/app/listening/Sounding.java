package prolalia.app.listening;

import prolalia.app.spoken.StoredRecording;

/** A sound as it is heard. @param hash of its MP3 */
record Sounding(String hash, long durationMs) {
    static Sounding of(StoredRecording said) {
        return new Sounding(said.soundHash(), said.durationMs());
    }
}
