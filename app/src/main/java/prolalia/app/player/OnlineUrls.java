package prolalia.app.player;

import java.util.function.Function;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import prolalia.formats.web.LessonUrls;

/**
 * Addresses of a lesson on this server.
 *
 * @param under the path under which a proxy shows this server, or nothing
 * @param base of all that belongs to the lesson, after that
 * @param counted whether it is counted what students ask for
 * @param times JSON of the times of a line's words, by its id; null when they aren't known as yet
 * @param assets knows by which addresses the files that ship may be kept by browsers for ever
 */
public record OnlineUrls(
        String under, String base, boolean counted, Function<String, String> times, ResourceUrlProvider assets)
        implements LessonUrls {
    @Override
    public String page(int number) {
        return under + base + "/" + number;
    }

    @Override
    public String sound(String hash) {
        return under + base + "/sound/" + hash + ".mp3";
    }

    @Override
    public String picture(String hash) {
        return under + base + "/picture/" + hash;
    }

    @Override
    public String thing(String hash) {
        return under + base + "/thing/" + hash;
    }

    @Override
    public String asset(String path) {
        String plain = "/assets/" + path;
        String lasting = assets.getForLookupPath(plain);
        return under + (lasting == null ? plain : lasting);
    }

    @Override
    public String words(String lineId) {
        return under + base + "/words/" + lineId;
    }

    @Override
    public String times(String lineId) {
        return times.apply(lineId);
    }

    @Override
    public String hintsAsked() {
        return counted ? under + base + "/hints/" : null;
    }

    private boolean isCode() {
        return base.startsWith(PlayerService.Way.CODE.path());
    }

    @Override
    public boolean soundComesFirst() {
        return true;
    }

    @Override
    public String listened() {
        return isCode() ? under + base + "/heard/" : null;
    }

    @Override
    public String player() {
        return isCode() ? under + base + "/player.js" : LessonUrls.super.player();
    }

    @Override
    public String keeper() {
        return isCode() ? under + base + "/keeper.js" : null;
    }
}
