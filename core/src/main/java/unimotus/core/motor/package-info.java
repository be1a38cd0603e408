/**
 * The induction motor from its plate: synchronous speed, poles, slip, torque, efficiency, current;
 * and the doubts a plate or its copy in the drive can raise.
 *
 * <p>Formulas stand in {@link unimotus.core.motor.MotorFormulas}, checks in {@link
 * unimotus.core.motor.MotorChecks}. Sources: IEC 60034-1 for ratings and definitions.
 */
@NullMarked
package unimotus.core.motor;

import org.jspecify.annotations.NullMarked;
