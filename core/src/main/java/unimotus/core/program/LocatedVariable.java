package unimotus.core.program;

import unimotus.core.machine.IoAddress;

/**
 * A global variable at an address of the controller.
 *
 * @param name its name
 * @param address its address
 * @param type its elementary type
 * @param comment which variable of the block it belongs to, and which terminal
 */
public record LocatedVariable(String name, IoAddress address, String type, String comment) {}
