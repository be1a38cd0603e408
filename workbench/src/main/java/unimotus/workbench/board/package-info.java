/**
 * The wire board without its drawing: what is on it ({@link unimotus.workbench.board.BoardScope}),
 * where it lies ({@link unimotus.workbench.board.BoardLayout}), and what is commanded, broken and
 * measured on it ({@link unimotus.workbench.board.WireBench}).
 */
@NullMarked
package unimotus.workbench.board;

import org.jspecify.annotations.NullMarked;
