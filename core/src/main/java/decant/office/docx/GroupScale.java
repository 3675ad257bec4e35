package decant.office.docx;

import decant.model.look.Placement;
import decant.office.docx.markup.Anchors;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.xml.Element;
import java.util.Optional;

/** From the coordinates within a group to points (§20.1.7.5). */
record GroupScale(double x, double y, double byX, double byY) {
  static GroupScale of(Optional<Element> xfrm, double w, double h) {
    Optional<Element> off = xfrm.flatMap(x -> x.child("a:chOff"));
    Optional<Element> ext = xfrm.flatMap(x -> x.child("a:chExt"));
    double cx = DocxLooks.number(ext.flatMap(e -> e.attribute("cx"))).orElse(w * Out.EMU);
    double cy = DocxLooks.number(ext.flatMap(e -> e.attribute("cy"))).orElse(h * Out.EMU);
    return new GroupScale(
        DocxLooks.number(off.flatMap(o -> o.attribute("x"))).orElse(0.0),
        DocxLooks.number(off.flatMap(o -> o.attribute("y"))).orElse(0.0),
        cx <= 0 ? 1 / Out.EMU : w / cx,
        cy <= 0 ? 1 / Out.EMU : h / cy);
  }

  double width(Element xfrm) {
    return Math.clamp(number(xfrm, "a:ext", "cx") * byX, 0, Anchors.LARGEST);
  }

  double height(Element xfrm) {
    return Math.clamp(number(xfrm, "a:ext", "cy") * byY, 0, Anchors.LARGEST);
  }

  Placement place(Element xfrm) {
    return DrawingReader.inside(
        Math.clamp((number(xfrm, "a:off", "x") - x) * byX, -Anchors.LARGEST, Anchors.LARGEST),
        Math.clamp((number(xfrm, "a:off", "y") - y) * byY, -Anchors.LARGEST, Anchors.LARGEST));
  }

  private static double number(Element xfrm, String child, String name) {
    return DocxLooks.number(xfrm.child(child).flatMap(c -> c.attribute(name))).orElse(0.0);
  }
}
