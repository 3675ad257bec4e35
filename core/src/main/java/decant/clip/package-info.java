/**
 * What is copied and pasted, in the formats that programs exchange: HTML and tab-separated text.
 * Foreign markup is taken in as text in looks; nothing that it names is fetched.
 */
@org.jspecify.annotations.NullMarked
package decant.clip;
