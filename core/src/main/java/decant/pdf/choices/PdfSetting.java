package decant.pdf.choices;

/** One group of what is chosen about a PDF. */
public sealed interface PdfSetting
    permits Navigation, FontEmbedding, Compression, Security, Conformance, InitialView {}
