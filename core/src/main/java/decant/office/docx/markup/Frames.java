package decant.office.docx.markup;

import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TextFrame;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Text frames (§17.3.1.11) and the places of floating tables (§17.4.57), which are said alike. */
public final class Frames {
  private Frames() {}

  static TextFrame read(Element framePr) {
    double width = DocxLooks.twips(framePr.attribute("w:w")).orElse(0.0);
    double height = DocxLooks.twips(framePr.attribute("w:h")).orElse(0.0);
    boolean exact = framePr.attribute("w:hRule").orElse("").equals("exact");
    double across = DocxLooks.twips(framePr.attribute("w:hSpace")).orElse(0.0);
    double down = DocxLooks.twips(framePr.attribute("w:vSpace")).orElse(0.0);
    Wrap wrap =
        switch (framePr.attribute("w:wrap").orElse("around")) {
          case "notBeside" -> Wrap.ABOVE_AND_BELOW;
          case "none" -> Wrap.THROUGH;
          default -> Wrap.AROUND;
        };
    boolean drop = framePr.attribute("w:dropCap").filter(v -> !v.equals("none")).isPresent();
    Origin vertical = origin(framePr.attribute("w:vAnchor").orElse("text"), Origin.PARAGRAPH);
    Origin horizontal =
        drop ? Origin.COLUMN : origin(framePr.attribute("w:hAnchor").orElse("page"), Origin.COLUMN);
    return new TextFrame(
        width,
        height,
        exact,
        new Placement.Floating(
            axis(horizontal, framePr.attribute("w:xAlign"), framePr.attribute("w:x")),
            axis(vertical, framePr.attribute("w:yAlign"), framePr.attribute("w:y")),
            wrap,
            new Insets(down, across, down, across),
            false));
  }

  /** Where a floating table stands. */
  public static Placement table(Element tblpPr) {
    return new Placement.Floating(
        axis(
            origin(tblpPr.attribute("w:horzAnchor").orElse("page"), Origin.COLUMN),
            tblpPr.attribute("w:tblpXSpec"),
            tblpPr.attribute("w:tblpX")),
        axis(
            origin(tblpPr.attribute("w:vertAnchor").orElse("page"), Origin.PARAGRAPH),
            tblpPr.attribute("w:tblpYSpec"),
            tblpPr.attribute("w:tblpY")),
        Wrap.AROUND,
        new Insets(
            DocxLooks.twips(tblpPr.attribute("w:topFromText")).orElse(0.0),
            DocxLooks.twips(tblpPr.attribute("w:rightFromText")).orElse(0.0),
            DocxLooks.twips(tblpPr.attribute("w:bottomFromText")).orElse(0.0),
            DocxLooks.twips(tblpPr.attribute("w:leftFromText")).orElse(0.0)),
        false);
  }

  private static Origin origin(String anchor, Origin text) {
    return switch (anchor) {
      case "page" -> Origin.PAGE;
      case "margin" -> Origin.MARGIN;
      default -> text;
    };
  }

  private static Axis axis(Origin origin, Optional<String> align, Optional<String> offset) {
    return switch (align.orElse("")) {
      case "center" -> new Axis(origin, Align.CENTRE, 0);
      case "right", "bottom", "outside" -> new Axis(origin, Align.END, 0);
      case "left", "top", "inside" -> new Axis(origin, Align.START, 0);
      default -> new Axis(origin, Align.OFFSET, DocxLooks.twips(offset).orElse(0.0));
    };
  }

  public static String frame(TextFrame f) {
    if (!(f.placement() instanceof Placement.Floating p)) {
      return "";
    }
    var a = new ArrayList<String>();
    if (f.width() > 0) {
      a.addAll(List.of("w:w", Out.twips(f.width())));
    }
    if (f.height() > 0) {
      a.addAll(List.of("w:h", Out.twips(f.height()), "w:hRule", f.exact() ? "exact" : "atLeast"));
    }
    a.addAll(
        List.of(
            "w:hSpace",
            Out.twips(p.distance().left()),
            "w:vSpace",
            Out.twips(p.distance().top()),
            "w:wrap",
            switch (p.wrap()) {
              case Wrap.Around around -> "around";
              case Wrap.AboveAndBelow apart -> "notBeside";
              case Wrap.Through through -> "none";
            }));
    place(a, p.across(), "w:hAnchor", "w:xAlign", "w:x", "right", "left");
    place(a, p.down(), "w:vAnchor", "w:yAlign", "w:y", "bottom", "top");
    return new Out().empty("w:framePr", a.toArray(String[]::new)).toString();
  }

  public static String table(Placement.Floating p) {
    var a =
        new ArrayList<>(
            List.of(
                "w:leftFromText", Out.twips(p.distance().left()),
                "w:rightFromText", Out.twips(p.distance().right()),
                "w:topFromText", Out.twips(p.distance().top()),
                "w:bottomFromText", Out.twips(p.distance().bottom())));
    place(a, p.down(), "w:vertAnchor", "w:tblpYSpec", "w:tblpY", "bottom", "top");
    place(a, p.across(), "w:horzAnchor", "w:tblpXSpec", "w:tblpX", "right", "left");
    return new Out().empty("w:tblpPr", a.toArray(String[]::new)).toString();
  }

  private static void place(
      List<String> a,
      Axis axis,
      String anchor,
      String align,
      String offset,
      String end,
      String start) {
    a.addAll(
        List.of(
            anchor,
            switch (axis.origin()) {
              case PAGE -> "page";
              case MARGIN -> "margin";
              case COLUMN, PARAGRAPH, LINE -> "text";
            }));
    switch (axis.align()) {
      case OFFSET -> a.addAll(List.of(offset, Out.twips(axis.offset())));
      case START -> a.addAll(List.of(align, start));
      case CENTRE -> a.addAll(List.of(align, "center"));
      case END -> a.addAll(List.of(align, end));
    }
  }
}
