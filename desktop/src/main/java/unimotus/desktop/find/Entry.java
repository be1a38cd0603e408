package unimotus.desktop.find;

/**
 * Something that can be chosen.
 *
 * @param kind what it is
 * @param title what it is called
 * @param detail where it belongs, or its keys
 * @param does what choosing it does
 */
public record Entry(String kind, String title, String detail, Runnable does) {}
