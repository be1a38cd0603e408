/**
 * From a few measured points to the causes that explain them.
 *
 * <p>A {@link unimotus.core.detective.Cause} is a transformation of the signal path: the axis as it
 * would behave if that were wrong. {@link unimotus.core.detective.Detective} reckons how well each
 * explains all readings, times, voltages and words of other rows among them, by Bayes' rule:
 *
 * <ul>
 *   <li>a reading at a predicted value v with tolerance t has density 0.98·N(v, t/2) + 0.02·U,
 *       where U is spread evenly over twice the span: one slip of the pen does not acquit or
 *       convict;
 *   <li>a cause with several variants counts with all of them together, its prior shared among
 *       them, and a variant whose number was fitted to the readings pays for the freedom;
 *   <li>the hypothesis <em>not explained</em> gives every reading the density U. A cause that more
 *       than one reading in ten contradicts never outweighs it; the design not while any does. When
 *       it leads, none of the known causes fits and the program says so, with the readings that do
 *       not go with the others;
 *   <li>where no single cause is left, two at once are tried: each cause on the path of each other,
 *       at a fiftieth of their priors.
 * </ul>
 *
 * <p>The next measurement is the one whose predicted values lie furthest apart between the likely
 * causes, weighed by how likely each pair is (Bhattacharyya distance of equal normal distributions;
 * for states the drive shows, the same or not).
 */
@NullMarked
package unimotus.core.detective;

import org.jspecify.annotations.NullMarked;
