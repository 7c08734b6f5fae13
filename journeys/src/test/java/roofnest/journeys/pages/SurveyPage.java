package roofnest.journeys.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.BoundingBox;

public record SurveyPage(Page page) {
    public Promises promises() {
        return new Promises(page);
    }

    public Locator saveState() {
        return page.locator("#save-state");
    }

    public SurveyPage saved() {
        assertThat(saveState()).hasText("saved");
        return this;
    }

    /** What waits between two tries is tried again at the latest after 15 s. */
    public SurveyPage savedByItself() {
        assertThat(saveState()).hasText("saved", new LocatorAssertions.HasTextOptions().setTimeout(30_000));
        return this;
    }

    /** Drags the camera with the mouse, by metres of the plan: east and north. */
    public SurveyPage drag(double eastM, double northM) {
        BoundingBox at = page.locator(".perch-body").boundingBox();
        double pxPerM = pxPerM();
        double x = at.x + at.width / 2;
        double y = at.y + at.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + eastM * pxPerM / 2, y - northM * pxPerM / 2);
        page.mouse().move(x + eastM * pxPerM, y - northM * pxPerM);
        page.mouse().up();
        return this;
    }

    /** Drags the camera with a finger, by metres of the plan: east and north. */
    public SurveyPage dragByFinger(double eastM, double northM) {
        BoundingBox at = page.locator(".perch-body").boundingBox();
        double x = at.x + at.width / 2;
        double y = at.y + at.height / 2;
        CDPSession fingers = page.context().newCDPSession(page);
        touch(fingers, "touchStart", x, y);
        touch(fingers, "touchMove", x + eastM * pxPerM() / 2, y - northM * pxPerM() / 2);
        touch(fingers, "touchMove", x + eastM * pxPerM(), y - northM * pxPerM());
        JsonObject end = new JsonObject();
        end.addProperty("type", "touchEnd");
        end.add("touchPoints", new JsonArray());
        fingers.send("Input.dispatchTouchEvent", end);
        return this;
    }

    private static void touch(CDPSession fingers, String type, double x, double y) {
        JsonObject point = new JsonObject();
        point.addProperty("x", x);
        point.addProperty("y", y);
        JsonArray points = new JsonArray();
        points.add(point);
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        fingers.send("Input.dispatchTouchEvent", event);
    }

    private double pxPerM() {
        return ((Number) page.evaluate("() => document.getElementById('plan').getScreenCTM().a")).doubleValue();
    }

    public SurveyPage press(String key, int times) {
        page.locator("#perch").focus();
        for (int i = 0; i < times; i++) {
            page.keyboard().press(key);
        }
        return this;
    }

    public SurveyPage type(String field, String value) {
        page.locator("#pose-" + field).fill(value);
        page.locator("#pose-" + field).press("Tab");
        return this;
    }

    /** Turns the wheel over the camera: one click up raises it by 10 centimetres. */
    public SurveyPage wheel(int clicksUp) {
        BoundingBox at = page.locator(".perch-body").boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().wheel(0, -100.0 * clicksUp);
        return this;
    }

    public SurveyPage nudge(String label) {
        page.getByLabel(label).click();
        return this;
    }

    public String field(String name) {
        return page.locator("#pose-" + name).inputValue();
    }

    /** Path of the footprint of a level of detail. */
    public String footprint(String level) {
        return page.locator(".foot." + level).first().getAttribute("d");
    }

    public Locator picture() {
        return page.locator(".picture-frame .shape");
    }
}
