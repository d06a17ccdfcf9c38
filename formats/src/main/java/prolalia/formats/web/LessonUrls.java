package prolalia.formats.web;

import prolalia.core.lesson.Prompt;

/** Where a student's page finds what it needs: addresses, absolute or from where the page is. Implementations are public. */
public interface LessonUrls {
    /** @param number of a page, from 1 */
    String page(int number);

    /** @param hash of the MP3 of a take */
    String sound(String hash);

    /** @param hash of the picture of a page */
    String picture(String hash);

    /** @param hash of a picture that is placed on a page */
    String thing(String hash);

    /** Something that ships, by its path within static/assets. */
    String asset(String path);

    /** A prompt in the voice that ships. */
    default String prompt(Prompt prompt) {
        return asset("player/prompts/" + prompt.name().toLowerCase(java.util.Locale.ROOT) + ".mp3");
    }

    /** Where the times of the words of a line are asked for; null when they are written on the page. */
    String words(String lineId);

    /** The times of the words of a line as JSON; null when they are to be asked for. */
    String times(String lineId);

    /** Where it is said that a hint was asked for, up to the id of the line; null when nobody counts. */
    String hintsAsked();

    /** Whether what sounds first is asked for before everything that is only seen, since the line may be slow. */
    default boolean soundComesFirst() {
        return false;
    }

    /** Where it is said how far something was listened to, up to a figure of a hundred; null when nobody counts. */
    default String listened() {
        return null;
    }

    /** Where a script is that keeps the page for when there is no network; null: it isn't kept. */
    default String keeper() {
        return null;
    }

    /** Where the player is: one script, which is no module. */
    default String player() {
        return asset("player/player.js");
    }
}
