package prolalia.app.desk;

import java.util.Comparator;
import java.util.Locale;
import prolalia.app.desk.DeskService.Book;

/**
 * Which lessons are looked for on a desk, and in which order they lie.
 *
 * @param words that the title has; blank: any
 * @param folderId only those in this folder; blank: all
 * @param all whether the desk shows them all, however many there are
 */
record Arrangement(String words, Order order, String folderId, boolean all) {
    /** So many lie on the desk unless all are asked for. */
    static final int MOST_AT_ONCE = 60;

    enum Order {
        OPENED,
        CHANGED,
        TITLE
    }

    boolean shows(Book book) {
        boolean found = words.isBlank()
                || book.lesson()
                        .title()
                        .toLowerCase(Locale.ROOT)
                        .contains(words.strip().toLowerCase(Locale.ROOT));
        return found && (folderId.isBlank() || folderId.equals(book.folderId()));
    }

    /** Whether it lies among those of now: where something is looked for, all do. */
    boolean isOfNow(Book book) {
        return book.thisYear() || !words.isBlank() || !folderId.isBlank();
    }

    /** A lesson that was never opened counts by its last change. */
    Comparator<Book> comparator() {
        return switch (order) {
            case OPENED ->
                Comparator.comparingLong((Book book) -> Math.max(
                                book.openedAt(),
                                book.openedAt() == 0 ? book.lesson().changedAt() : 0))
                        .reversed();
            case CHANGED ->
                Comparator.comparingLong((Book book) -> book.lesson().changedAt())
                        .reversed();
            case TITLE -> Comparator.comparing((Book book) -> book.lesson().title(), String.CASE_INSENSITIVE_ORDER);
        };
    }
}
