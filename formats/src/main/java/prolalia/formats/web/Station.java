package prolalia.formats.web;

import prolalia.core.station.StationMark;

/**
 * What a page has that is a station.
 *
 * @param number from 1
 * @param next the number of the one to which groups go from here; null: groups don't rotate
 */
public record Station(int number, Integer next) {
    /** How it looks without a picture of its own. */
    public StationMark mark() {
        return new StationMark(number);
    }

    public StationMark nextMark() {
        return new StationMark(next);
    }
}
