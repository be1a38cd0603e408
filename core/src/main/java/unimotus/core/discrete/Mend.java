package unimotus.core.discrete;

import java.util.function.UnaryOperator;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;

/**
 * A change tried in thought: where it puts a reading right, its absence was the cause.
 *
 * @param rule the rule that was broken
 * @param cause what is wrong, in words
 * @param why why it matters
 * @param remedy what to do
 * @param change the change
 */
record Mend(
    Rule rule, String cause, String why, String remedy, UnaryOperator<AxisAssembly> change) {}
