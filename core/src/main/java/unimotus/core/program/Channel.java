package unimotus.core.program;

import org.jspecify.annotations.Nullable;
import unimotus.core.machine.IoAddress;

/**
 * A channel of the controller that a block writes or reads.
 *
 * @param variable the block's variable for it
 * @param terminal its terminal
 * @param address where the program finds it; null where nobody has entered it
 * @param straight whether on at the channel is what the variable says; false for the opposite
 */
record Channel(Variable variable, String terminal, @Nullable IoAddress address, boolean straight) {}
