package unimotus.core.esi;

/**
 * A way a device is synchronised.
 *
 * @param name its name in the file
 * @param description its name for people; empty where none is given
 * @param activate the word that switches it on
 * @param cycle0Ns the period of the first signal in ns; 0 for the bus cycle
 * @param factor0 by what the bus cycle is multiplied where the period is 0; below 0 it is divided
 * @param shift0Ns by how much the first signal is later than the frame, in ns
 * @param cycle1Ns the period of the second signal in ns; 0 where there is none
 */
public record ClockMode(
    String name,
    String description,
    int activate,
    long cycle0Ns,
    int factor0,
    long shift0Ns,
    long cycle1Ns) {}
