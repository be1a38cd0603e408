/**
 * What a servo axis needs for its moves and how it follows them: torque, energy and times of the
 * brake worked out from the plan; position and velocity loop in time steps of their own; gains for
 * three degrees of dynamics. Torques and inertias count at the motor shaft.
 */
@NullMarked
package unimotus.core.servo;

import org.jspecify.annotations.NullMarked;
