package decant.reading;

/** What is done with content that would act by itself where a document is opened. */
public enum Active {
  /** It is left out of what is written. */
  REMOVE,
  /** It goes along where the format has room for it. It is never run here. */
  KEEP
}
