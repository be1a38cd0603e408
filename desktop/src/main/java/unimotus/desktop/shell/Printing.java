package unimotus.desktop.shell;

import java.io.IOException;
import javafx.print.PageLayout;
import javafx.print.PageOrientation;
import javafx.print.Paper;
import javafx.print.Printer;
import javafx.print.PrinterJob;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Picture;

/** Prints the view that is shown, as it is shown; a picture of it where there is no printer. */
final class Printing {
  private final Desk desk;

  Printing(Desk desk) {
    this.desk = desk;
  }

  /** Asks for printer and paper, and prints. */
  void print(Node view) {
    WritableImage image = view.snapshot(null, null);
    PrinterJob job = Printer.getDefaultPrinter() == null ? null : PrinterJob.createPrinterJob();
    if (job == null) {
      write(image);
    } else {
      print(job, image, view);
    }
  }

  private void print(PrinterJob job, WritableImage image, Node view) {
    if (!job.showPrintDialog(view.getScene().getWindow())) {
      job.cancelJob();
      return;
    }
    PageLayout page =
        job.getPrinter()
            .createPageLayout(Paper.A4, PageOrientation.LANDSCAPE, Printer.MarginType.DEFAULT);
    ImageView sheet = new ImageView(image);
    sheet.setPreserveRatio(true);
    sheet.setFitWidth(page.getPrintableWidth());
    sheet.setFitHeight(page.getPrintableHeight());
    if (job.printPage(page, sheet) && job.endJob()) {
      desk.say("sent to " + job.getPrinter().getName());
    } else {
      desk.refuse("could not be printed on " + job.getPrinter().getName());
    }
  }

  private void write(WritableImage image) {
    desk.dialogs()
        .export("view.png")
        .ifPresent(
            file -> {
              try {
                Picture.write(image, file);
                desk.say("no printer is set up here: picture written to " + file);
              } catch (IOException e) {
                desk.refuse("the picture could not be written: " + e.getMessage());
              }
            });
  }
}
