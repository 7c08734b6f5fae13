package roofnest.app.documents;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.parser.Parser;

/**
 * A signed pack as a page: the very document that was signed, without what only paper needs. Nothing is drawn anew, so that what is
 * read by the link is what was signed.
 *
 * @param language that it was signed in
 * @param body of the page, in XHTML
 */
record PackPage(String language, String title, String body) {
    static PackPage of(String signed) {
        Document document = Jsoup.parse(signed, "", Parser.xmlParser());
        document.outputSettings().syntax(Document.OutputSettings.Syntax.xml).prettyPrint(false);
        String title = document.select("title").text();
        document.select("style, bookmarks").remove();
        // Sizes of paper and styles that no page of ours carries; a drawing is as wide as the phone.
        document.select("[style]").removeAttr("style");
        document.select("svg").removeAttr("width").removeAttr("height").removeAttr("title").removeAttr("alt");
        // Computed pictures are coloured as on our pages.
        document.select("svg:has(.sky)").addClass("picture");
        document.select("h1").tagName("p").addClass("pack-title");
        return new PackPage(document.select("html").attr("lang"), title, document.select("body").html());
    }
}
