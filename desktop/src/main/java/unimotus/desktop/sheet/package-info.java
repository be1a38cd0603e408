/** The editor for device sheets of one's own, which starts from a class there is. */
@org.jspecify.annotations.NullMarked
package unimotus.desktop.sheet;
