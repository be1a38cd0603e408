package unimotus.workbench;

import java.util.function.UnaryOperator;
import unimotus.core.machine.Project;

/**
 * A named change of the project.
 *
 * @param name what it does, as the undo menu says it: {@code set L21 to 50 Hz}
 * @param change the next project from the present one
 */
public record Edit(String name, UnaryOperator<Project> change) {}
