package decant.format;

/** The kinds of files that are told apart. */
public enum FileFormat {
  PDF("PDF", "pdf", true),
  DOCX("DOCX", "docx", true),
  XLSX("XLSX workbook", "xlsx", false),
  PPTX("PPTX presentation", "pptx", false),
  ODT("ODT text document", "odt", false),
  ODS("ODS workbook", "ods", false),
  ODP("ODP presentation", "odp", false),
  RTF("RTF text document", "rtf", false),
  OLE("97–2003 binary office document", "doc", false),
  /** An office document that is encrypted as a whole ([MS-OFFCRYPTO]). */
  LOCKED_OFFICE("encrypted office document", "docx", false),
  HTML("HTML page", "html", false),
  PICTURE("picture", "", false),
  ZIP("ZIP archive", "zip", false),
  UNKNOWN("file", "", false);

  private final String label;
  private final String code;
  private final boolean served;

  FileFormat(String label, String code, boolean served) {
    this.label = label;
    this.code = code;
    this.served = served;
  }

  public String label() {
    return label;
  }

  /** As the command line names it; also the usual extension. */
  public String code() {
    return code;
  }

  /** Whether it can be taken in. */
  public boolean served() {
    return served;
  }
}
