/** Programs of controllers as PLCopen XML. */
@NullMarked
package unimotus.formats.plcopen;

import org.jspecify.annotations.NullMarked;
