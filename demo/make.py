#!/usr/bin/env python3
"""Makes the demo documents of the harbour office of Saltmarsh Quay, an invented place.

    apt-get install python3-reportlab
    /usr/bin/python3 demo/make.py

The PDFs are made with ReportLab and the DOCX with the zipfile module alone, so that neither comes from Decant's own
writers. The texts are built from fixed lists with a fixed seed: the same run makes the same documents.
"""
import io
import random
import zipfile
from pathlib import Path
from xml.sax.saxutils import escape

from reportlab.lib import colors
from reportlab.lib.enums import TA_JUSTIFY
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen import canvas
from reportlab.platypus import (BaseDocTemplate, Frame, Image, ListFlowable, ListItem, PageTemplate, Paragraph, Spacer,
                                Table, TableStyle)
from PIL import Image as Pixels
from PIL import ImageDraw

HERE = Path(__file__).resolve().parent
FONTS = HERE.parent / "core/src/main/resources/decant/text/fonts"
random.seed(20260401)

for name, file in {
    "Serif": "LiberationSerif-Regular", "Serif-Bold": "LiberationSerif-Bold", "Serif-Italic": "LiberationSerif-Italic",
    "Sans": "LiberationSans-Regular", "Sans-Bold": "LiberationSans-Bold",
}.items():
    pdfmetrics.registerFont(TTFont(name, str(FONTS / f"{file}.ttf")))
pdfmetrics.registerFontFamily("Serif", normal="Serif", bold="Serif-Bold", italic="Serif-Italic", boldItalic="Serif-Bold")

BODY = ParagraphStyle("body", fontName="Serif", fontSize=11, leading=14.5, alignment=TA_JUSTIFY, spaceAfter=7)
TITLE = ParagraphStyle("title", fontName="Sans-Bold", fontSize=24, leading=29, spaceAfter=16)
HEADS = [
    ParagraphStyle("h1", fontName="Sans-Bold", fontSize=16, leading=20, spaceBefore=16, spaceAfter=7, keepWithNext=1),
    ParagraphStyle("h2", fontName="Sans-Bold", fontSize=13, leading=16, spaceBefore=12, spaceAfter=5, keepWithNext=1),
    ParagraphStyle("h3", fontName="Sans-Bold", fontSize=11, leading=14, spaceBefore=9, spaceAfter=4, keepWithNext=1),
]

CHAPTERS = [
    ("Purpose and scope", ["Whom these rules bind", "Words used here", "Changes to the rules"]),
    ("Berths", ["Allocation", "Waiting list", "Exchange of berths", "Guests"]),
    ("Mooring", ["Lines and fenders", "Rafting", "Swinging moorings"]),
    ("Charges", ["Mooring charges", "Payment", "Refunds"]),
    ("Safety on the quay", ["Fire", "Fuel", "Lights and ladders"]),
    ("Winter storage", ["Lifting out", "Cradles and covers", "Launching"]),
    ("Water, power and waste", ["Fresh water", "Electricity", "Waste and oil"]),
    ("Conduct", ["Noise", "Dogs and children", "Visitors by road"]),
    ("Insurance and liability", ["Cover required", "Damage to others"]),
    ("Complaints and notices", ["Where to write", "Time limits"]),
]
DETAILS = ["Ordinary cases", "Exceptions", "Records kept"]
SENTENCES = [
    "A berth is let for one season, from the first of April to the last day of October, and the holder keeps the right to ask for it again.",
    "The harbour office answers every request in writing within ten working days and keeps a copy for six years.",
    "Lines must be doubled when the tide gauge at the east stairs stands above four metres or a gale is forecast.",
    "Whoever leaves a vessel unattended for more than three days tells the office where the key is kept.",
    "Nothing may be fixed to the quay wall, the ladders or the lamp posts without leave of the harbour office.",
    "The depth at low water is written on the board beside each pontoon; it is checked every spring after dredging.",
    "Where two holders want the same berth, the one who has waited longer is asked first.",
    "A vessel that is longer than the berth by more than half a metre is moved at the cost of its owner.",
    "Fenders are the owner's concern; old tyres leave marks and are not allowed on the north pontoon.",
    "The office may close a pontoon for repairs and then offers another berth of at least the same depth.",
    "Keys to the water points are handed out at the office against a deposit and are numbered.",
    "Every charge is rounded to the nearest half and entered in the register on the day it is paid.",
    "Visitors may stay two nights without an entry in the register, provided that the pontoon is not full.",
    "Loose gear is cleared from the walkways each Friday and kept in the shed for thirty days.",
    "If the crane is out of order, the next lifting day is moved by one week and holders are told by notice.",
]


def prose(n):
    return " ".join(random.sample(SENTENCES, n))


def chart_png(kind):
    """A plain drawing: a plan of the pontoons, or the tide curve of one day."""
    img = Pixels.new("RGB", (900, 420), (236, 241, 244))
    d = ImageDraw.Draw(img)
    if kind == "plan":
        d.rectangle((0, 300, 900, 420), fill=(203, 190, 168))
        for k in range(4):
            x = 120 + k * 200
            d.rectangle((x, 70, x + 22, 300), fill=(120, 104, 84))
            for j in range(5):
                d.rectangle((x + 30, 80 + j * 42, x + 110, 100 + j * 42), fill=(123, 30, 58) if (k + j) % 3 else (74, 98, 116))
    else:
        import math
        points = [(x, 210 - 140 * math.sin(x / 900 * 4 * math.pi)) for x in range(0, 900, 3)]
        for y in range(70, 360, 70):
            d.line((0, y, 900, y), fill=(200, 208, 212))
        d.line(points, fill=(31, 58, 112), width=5)
    out = io.BytesIO()
    img.save(out, "PNG")
    out.seek(0)
    return out


def charges_table():
    rows = [["Length of vessel", "Summer", "Winter afloat", "Winter ashore", "Visitor, a night"]]
    for k, length in enumerate(["up to 6 m", "6 to 8 m", "8 to 10 m", "10 to 12 m", "12 to 15 m", "over 15 m"]):
        base = 210 + k * 95
        rows.append([length, f"{base}.00", f"{base * 0.6:.2f}", f"{base * 0.75:.2f}", f"{8 + 2.5 * k:.2f}"])
    t = Table(rows, colWidths=[42 * mm, 27 * mm, 31 * mm, 31 * mm, 31 * mm])
    t.setStyle(TableStyle([
        ("FONT", (0, 0), (-1, -1), "Serif", 10), ("FONT", (0, 0), (-1, 0), "Serif-Bold", 10),
        ("GRID", (0, 0), (-1, -1), 0.6, colors.black), ("BACKGROUND", (0, 0), (-1, 0), colors.HexColor("#E9E2D4")),
        ("ALIGN", (1, 1), (-1, -1), "RIGHT"), ("TOPPADDING", (0, 0), (-1, -1), 3), ("BOTTOMPADDING", (0, 0), (-1, -1), 4),
    ]))
    return t


def running(c, doc):
    c.saveState()
    c.setFont("Sans", 9)
    c.drawString(25 * mm, A4[1] - 15 * mm, "Harbour Office of Saltmarsh Quay")
    c.drawRightString(A4[0] - 25 * mm, A4[1] - 15 * mm, "Berth rules")
    c.drawCentredString(A4[0] / 2, 12 * mm, f"Page {doc.page}")
    c.restoreState()


def berth_rules(path):
    story = [Paragraph("Berth rules of the harbour of Saltmarsh Quay", TITLE),
             Paragraph("In force from 1 April. These rules are handed to every holder of a berth; the latest version is at "
                       '<a href="https://harbour.saltmarsh.example/rules" color="#0B5C7A">harbour.saltmarsh.example/rules</a>. '
                       'Questions go to <a href="mailto:office@saltmarsh.example" color="#0B5C7A">office@saltmarsh.example</a>.', BODY)]
    for i, (chapter, sections) in enumerate(CHAPTERS, 1):
        story.append(Paragraph(f"{i} {chapter}", HEADS[0]))
        story += [Paragraph(prose(3), BODY), Paragraph(prose(3), BODY)]
        for j, section in enumerate(sections, 1):
            story.append(Paragraph(f"{i}.{j} {section}", HEADS[1]))
            story.append(Paragraph(prose(4), BODY))
            if section == "Mooring charges":
                story += [Paragraph("The charges for the season are as follows, in crowns and without tax.", BODY), charges_table(),
                          Spacer(1, 8)]
            if section == "Allocation":
                story += [Image(chart_png("plan"), 150 * mm, 70 * mm), Spacer(1, 6),
                          Paragraph("Plan of the four pontoons, seen from the quay.", BODY)]
            if section == "Swinging moorings":
                story += [Image(chart_png("tide"), 150 * mm, 70 * mm), Spacer(1, 6),
                          Paragraph("Height of the tide at the east stairs on an ordinary day.", BODY)]
            if section in ("Lines and fenders", "Fuel", "Lifting out"):
                items = ["Two bow lines and two stern lines of at least 14 mm", "A spring line on berths 1 to 24",
                         "Fenders of a size that suits the vessel"] if section == "Lines and fenders" else \
                        ["Engines are stopped and no one smokes", "The hose is never left alone",
                         "Spilt fuel is reported at once"] if section == "Fuel" else \
                        ["The mast is down and the boom is lashed", "The cradle stands ready with the owner's name",
                         "The owner or a person named in writing is present"]
                story.append(Paragraph("Please see to it that:", BODY))
                story.append(ListFlowable([ListItem(Paragraph(t, BODY), leftIndent=18) for t in items], bulletType="bullet",
                                          bulletFontName="Serif", leftIndent=18, start="•"))
            if j < 3:
                for k, detail in enumerate(DETAILS[: 2 + (i + j) % 2], 1):
                    story.append(Paragraph(f"{i}.{j}.{k} {detail}", HEADS[2]))
                    story.append(Paragraph(prose(3) + (" <b>No exception is made for guests.</b>" if detail == "Exceptions" else ""), BODY))
    doc = BaseDocTemplate(str(path), pagesize=A4, leftMargin=25 * mm, rightMargin=25 * mm, topMargin=25 * mm, bottomMargin=22 * mm,
                          title="Berth rules", author="Harbour Office of Saltmarsh Quay", invariant=1)
    doc.addPageTemplates(PageTemplate(frames=[Frame(25 * mm, 22 * mm, 160 * mm, 250 * mm, 0, 0, 0, 0)], onPage=running))
    doc.build(story)


def berth_application(path):
    c = canvas.Canvas(str(path), pagesize=A4, invariant=1)
    c.setTitle("Berth application")
    c.setAuthor("Harbour Office of Saltmarsh Quay")
    c.setFont("Sans-Bold", 20)
    c.drawString(25 * mm, 265 * mm, "Application for a berth")
    c.setFont("Serif", 11)
    c.drawString(25 * mm, 256 * mm, "Please fill in every line and hand the form in at the harbour office.")
    form = c.acroForm
    y = 240
    for label, name in [("Name of the owner", "owner"), ("Postal address", "address"), ("Name of the vessel", "vessel"),
                        ("Length over all, in metres", "length"), ("Draught, in metres", "draught"), ("Berth wished for", "berth")]:
        c.setFont("Serif", 11)
        c.drawString(25 * mm, y * mm, label)
        form.textfield(name=name, x=85 * mm, y=(y - 2) * mm, width=95 * mm, height=7 * mm, borderStyle="underlined", fontSize=11,
                       fontName="Helvetica", value="Curlew" if name == "vessel" else "", borderWidth=0.5)
        y -= 13
    for label, name in [("The vessel is insured against damage to others", "insured"), ("Winter storage is wished for", "winter")]:
        form.checkbox(name=name, x=25 * mm, y=(y - 1) * mm, size=12, checked=False)
        c.drawString(33 * mm, y * mm, label)
        y -= 10
    y -= 20
    c.line(25 * mm, y * mm, 90 * mm, y * mm)
    c.line(110 * mm, y * mm, 180 * mm, y * mm)
    c.setFont("Serif", 9)
    c.drawString(25 * mm, (y - 5) * mm, "Place and date")
    c.drawString(110 * mm, (y - 5) * mm, "Signature of the owner")
    c.showPage()
    c.save()


W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main"
R = "http://schemas.openxmlformats.org/officeDocument/2006/relationships"


def run(text, props=""):
    return f'<w:r>{"<w:rPr>" + props + "</w:rPr>" if props else ""}<w:t xml:space="preserve">{escape(text)}</w:t></w:r>'


def para(content, style="", props=""):
    p = (f'<w:pStyle w:val="{style}"/>' if style else "") + props
    return f'<w:p>{"<w:pPr>" + p + "</w:pPr>" if p else ""}{content}</w:p>'


def notice_docx(path, title, year, paragraphs=6):
    """A DOCX written part by part: styles, numbering, a table, a picture, a header and a footer with the page number."""
    cells = [["Service", "When", "Charge"], ["Lifting out", "first two Saturdays of November", "85.00"],
             ["Storage ashore, a metre and month", "November to March", "9.50"], ["Launching", "last two Saturdays of March", "85.00"]]
    table = ('<w:tbl><w:tblPr><w:tblW w:w="9000" w:type="dxa"/><w:tblBorders>' +
             "".join(f'<w:{e} w:val="single" w:sz="4" w:space="0" w:color="808080"/>' for e in ("top", "left", "bottom", "right", "insideH", "insideV")) +
             '</w:tblBorders></w:tblPr><w:tblGrid><w:gridCol w:w="4000"/><w:gridCol w:w="3500"/><w:gridCol w:w="1500"/></w:tblGrid>' +
             "".join("<w:tr>" + ('<w:trPr><w:tblHeader/></w:trPr>' if i == 0 else "") +
                     "".join(f'<w:tc><w:tcPr><w:tcW w:w="{w}" w:type="dxa"/></w:tcPr>' +
                             para(run(c, "<w:b/>" if i == 0 else ""), "", '<w:jc w:val="right"/>' if k == 2 else "") + "</w:tc>"
                             for k, (c, w) in enumerate(zip(row, (4000, 3500, 1500)))) + "</w:tr>" for i, row in enumerate(cells)) + "</w:tbl>")
    drawing = ('<w:r><w:drawing><wp:inline xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing">'
               '<wp:extent cx="4572000" cy="2133600"/><wp:docPr id="1" name="Tide" descr="The tide on an ordinary day"/>'
               '<a:graphic xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"><a:graphicData '
               'uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic '
               'xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:nvPicPr><pic:cNvPr id="1" name="Tide"/>'
               '<pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip r:embed="rId10"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill>'
               '<pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="4572000" cy="2133600"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/>'
               '</a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>')
    body = [para(run(title), "Heading1"),
            para(run("To all holders of berths. ") + run("Please read this notice to the end", "<w:b/>") +
                 run(f" and keep it until the spring of {year + 1}."))]
    sections = ["Dates", "What to bring", "Charges", "The tide", "Questions"]
    for name in sections:
        body.append(para(run(name), "Heading2"))
        body += [para(run(prose(3))) for _ in range(max(1, paragraphs // len(sections)))]
        if name == "What to bring":
            body += [para(run(t), "", '<w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr>')
                     for t in ("The key of the vessel, with a label", "A cover with at least eight lashings", "The form, filled in and signed")]
        if name == "Charges":
            body += [table, para("")]
        if name == "The tide":
            body.append(para(drawing))
        if name == "Questions":
            body.append(para(run("Write to ") + '<w:hyperlink r:id="rId11">' + run("office@saltmarsh.example", '<w:color w:val="0B5C7A"/><w:u w:val="single"/>') +
                             "</w:hyperlink>" + run(" or come to the office before noon.")))
    sect = ('<w:sectPr><w:headerReference w:type="default" r:id="rId12"/><w:footerReference w:type="default" r:id="rId13"/>'
            '<w:pgSz w:w="11906" w:h="16838"/><w:pgMar w:top="1417" w:right="1417" w:bottom="1417" w:left="1417" w:header="708" w:footer="708" w:gutter="0"/></w:sectPr>')
    parts = {
        "[Content_Types].xml": '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Default Extension="png" ContentType="image/png"/>' +
        "".join(f'<Override PartName="/word/{n}.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.{t}+xml"/>'
                for n, t in (("document", "document.main"), ("styles", "styles"), ("numbering", "numbering"), ("header1", "header"), ("footer1", "footer"))) +
        '<Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/></Types>',
        "_rels/.rels": f'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="{R}/officeDocument" Target="word/document.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties" Target="docProps/core.xml"/></Relationships>',
        "docProps/core.xml": f'<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>{escape(title)}</dc:title><dc:creator>Harbour Office of Saltmarsh Quay</dc:creator></cp:coreProperties>',
        "word/_rels/document.xml.rels": f'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">' +
        "".join(f'<Relationship Id="rId{i}" Type="{R}/{t}" Target="{g}"/>' for i, t, g in
                ((1, "styles", "styles.xml"), (2, "numbering", "numbering.xml"), (10, "image", "media/tide.png"), (12, "header", "header1.xml"), (13, "footer", "footer1.xml"))) +
        f'<Relationship Id="rId11" Type="{R}/hyperlink" Target="mailto:office@saltmarsh.example" TargetMode="External"/></Relationships>',
        "word/document.xml": f'<w:document xmlns:w="{W}" xmlns:r="{R}"><w:body>{"".join(body)}{sect}</w:body></w:document>',
        "word/styles.xml": f'<w:styles xmlns:w="{W}"><w:docDefaults><w:rPrDefault><w:rPr><w:rFonts w:ascii="Calibri" w:hAnsi="Calibri"/><w:sz w:val="22"/><w:lang w:val="en-GB"/></w:rPr></w:rPrDefault><w:pPrDefault><w:pPr><w:spacing w:after="160" w:line="259" w:lineRule="auto"/></w:pPr></w:pPrDefault></w:docDefaults>'
        '<w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/></w:style>'
        '<w:style w:type="paragraph" w:styleId="Heading1"><w:name w:val="heading 1"/><w:basedOn w:val="Normal"/><w:pPr><w:keepNext/><w:spacing w:before="240" w:after="120"/><w:outlineLvl w:val="0"/></w:pPr><w:rPr><w:rFonts w:ascii="Cambria" w:hAnsi="Cambria"/><w:b/><w:color w:val="1F3A70"/><w:sz w:val="36"/></w:rPr></w:style>'
        '<w:style w:type="paragraph" w:styleId="Heading2"><w:name w:val="heading 2"/><w:basedOn w:val="Normal"/><w:pPr><w:keepNext/><w:spacing w:before="200" w:after="80"/><w:outlineLvl w:val="1"/></w:pPr><w:rPr><w:rFonts w:ascii="Cambria" w:hAnsi="Cambria"/><w:b/><w:color w:val="1F3A70"/><w:sz w:val="26"/></w:rPr></w:style></w:styles>',
        "word/numbering.xml": f'<w:numbering xmlns:w="{W}"><w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:start w:val="1"/><w:numFmt w:val="bullet"/><w:lvlText w:val="•"/><w:lvlJc w:val="left"/><w:pPr><w:ind w:left="720" w:hanging="360"/></w:pPr></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num></w:numbering>',
        "word/header1.xml": f'<w:hdr xmlns:w="{W}">{para(run("Harbour Office of Saltmarsh Quay", "<w:i/>"))}</w:hdr>',
        "word/footer1.xml": f'<w:ftr xmlns:w="{W}"><w:p><w:pPr><w:jc w:val="center"/></w:pPr><w:r><w:t xml:space="preserve">Page </w:t></w:r><w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText xml:space="preserve"> PAGE </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r><w:r><w:t>1</w:t></w:r><w:r><w:fldChar w:fldCharType="end"/></w:r></w:p></w:ftr>',
    }
    with zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED) as z:
        for name, content in parts.items():
            info = zipfile.ZipInfo(name, (2026, 4, 1, 9, 0, 0))
            info.compress_type = zipfile.ZIP_DEFLATED
            z.writestr(info, '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n' + content)
        info = zipfile.ZipInfo("word/media/tide.png", (2026, 4, 1, 9, 0, 0))
        z.writestr(info, chart_png("tide").getvalue())


def minutes_pdf(path, title):
    story = [Paragraph(title, TITLE)]
    for k, item in enumerate(["Present", "Matters arising", "Dredging", "Any other business"], 1):
        story += [Paragraph(f"{k} {item}", HEADS[0]), Paragraph(prose(4), BODY)]
    doc = BaseDocTemplate(str(path), pagesize=A4, leftMargin=25 * mm, rightMargin=25 * mm, topMargin=25 * mm, bottomMargin=22 * mm, title=title, invariant=1)
    doc.addPageTemplates(PageTemplate(frames=[Frame(25 * mm, 22 * mm, 160 * mm, 250 * mm, 0, 0, 0, 0)]))
    doc.build(story)


if __name__ == "__main__":
    berth_rules(HERE / "Berth rules.pdf")
    berth_application(HERE / "Berth application.pdf")
    notice_docx(HERE / "Winter storage notice.docx", "Winter storage: notice to holders of berths", 2026, 10)
    for year in (2023, 2024, 2025):
        (HERE / f"Archive/Notices/{year}").mkdir(parents=True, exist_ok=True)
        (HERE / f"Archive/Minutes/{year}").mkdir(parents=True, exist_ok=True)
        notice_docx(HERE / f"Archive/Notices/{year}/Winter storage {year}.docx", f"Winter storage {year}", year)
        notice_docx(HERE / f"Archive/Notices/{year}/Dredging {year}.docx", f"Dredging of the basin {year}", year)
        for month in ("March", "October"):
            minutes_pdf(HERE / f"Archive/Minutes/{year}/Harbour meeting {month} {year}.pdf", f"Harbour meeting, {month} {year}")
