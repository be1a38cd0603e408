/**
 * Motors from their plates. The induction motor: synchronous speed, poles, slip, torque,
 * efficiency, current; and the doubts a plate or its copy in the drive can raise.
 *
 * <p>Formulas stand in {@link unimotus.core.motor.MotorFormulas}, checks in {@link
 * unimotus.core.motor.MotorChecks}; {@link unimotus.core.motor.PlateLine} reads a plate typed as
 * printed, {@code ServoChecks} looks at servo plates. {@code Pairing} says whether a drive runs a
 * motor, {@code FieldFigures} and {@code MotorTorque} serve servos as well. Sources: IEC 60034-1
 * for ratings and definitions; IEC 60034-30-1, IEC 60947-4-1 and NEC table 430.250 from memory.
 */
@NullMarked
package unimotus.core.motor;

import org.jspecify.annotations.NullMarked;
