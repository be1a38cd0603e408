/**
 * Settings in effect: what a drive's settings and switches amount to once defaults are filled in,
 * asked for by meaning instead of by the code of one drive or another.
 *
 * <p>Entry type: {@link unimotus.core.settings.EffectiveSettings}.
 */
@NullMarked
package unimotus.core.settings;

import org.jspecify.annotations.NullMarked;
