/**
 * Values of a drive on a fieldbus, apart from where they stand: {@code DriveValue} says what one
 * is, {@code PlacedValue} that it stands somewhere, {@code HeldValue} what was found there. Places
 * are the business of each fieldbus ({@code unimotus.core.fieldbus} for registers).
 */
@NullMarked
package unimotus.core.value;

import org.jspecify.annotations.NullMarked;
