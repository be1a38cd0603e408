/** The control theme, without the controls this program does not have. */
@org.jspecify.annotations.NullMarked
package unimotus.desktop.theme;
