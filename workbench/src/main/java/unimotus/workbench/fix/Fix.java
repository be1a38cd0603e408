package unimotus.workbench.fix;

import unimotus.workbench.Edit;
import unimotus.workbench.find.Target;

/**
 * One change that was found to remove a finding.
 *
 * @param words what it does, such as {@code I70 AI2 range: 0-20 mA → 4-20 mA}
 * @param edit does it
 * @param target where what it changes is looked at
 */
public record Fix(String words, Edit edit, Target target) {}
