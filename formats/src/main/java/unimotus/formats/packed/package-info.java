/**
 * What ships with the program in a form that is read without binding JSON: records, lists, maps,
 * enums and plain values one after the other. The build makes it from the JSON files, a test holds
 * both to be the same, and nothing else is ever written in it.
 */
@NullMarked
package unimotus.formats.packed;

import org.jspecify.annotations.NullMarked;
