package prolalia.formats.book;

/** In which manner a book goes out. */
public enum BookManner {
    /** As text, set by whatever opens the book. */
    TEXT,
    /** As pages that look like the paper (EPUB 3.3, 8.2: fixed layout), with the words lit where they stand. */
    PAGES
}
