package unimotus.core.esi;

/**
 * A part of a device's memory that both sides use in turn.
 *
 * @param number its number
 * @param purpose what it is for: {@code MBoxOut}, {@code MBoxIn}, {@code Outputs}, {@code Inputs}
 * @param start its first address
 * @param defaultSize its size as delivered; 0 where it follows from the image
 * @param leastSize the least size; 0 where none is said
 * @param mostSize the greatest size; 0 where none is said
 * @param control the byte that says how it works
 * @param enabled whether it is on as delivered
 */
public record SyncManager(
    int number,
    String purpose,
    int start,
    int defaultSize,
    int leastSize,
    int mostSize,
    int control,
    boolean enabled) {}
