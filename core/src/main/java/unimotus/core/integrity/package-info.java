/**
 * Whether everything a project says can be used: ids that lead somewhere, terminals and switch
 * positions the devices have, settings the drives take, words that are known. What cannot be used
 * is a finding; nothing falls back to something else unseen.
 *
 * <p>Entry: {@link unimotus.core.integrity.Integrity#check}.
 */
@NullMarked
package unimotus.core.integrity;

import org.jspecify.annotations.NullMarked;
