package unimotus.core.esi;

/**
 * What a device's mailbox can do with objects.
 *
 * @param objects whether objects can be read and written at all
 * @param dictionary whether the dictionary can be listed
 * @param assigns whether it can be told which process data objects are in the image
 * @param maps whether it can be told what a process data object carries
 * @param complete whether a whole object can be written at once
 * @param segmented whether what is longer than the mailbox can be carried in parts
 */
public record Mailbox(
    boolean objects,
    boolean dictionary,
    boolean assigns,
    boolean maps,
    boolean complete,
    boolean segmented) {}
