package roofnest.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.stereotype.Component;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;

/** Every route that the application has, and a request for each that its handler takes. */
@Component
public class Routes {
    /** Addresses that take a file, and the field it is in. */
    private static final Map<String, String> UPLOADS = Map.of("/survey/plan", "plan", "/survey/readings.csv", "readings", "/draw/underlay",
            "picture", "/ready/label", "photo", "/ready/air", "file", "/ready/kit/label", "photo", "/still", "picture", "/carry", "file",
            "/log/{entry}/photos",
            "picture");
    private static final List<String> TAKES_JSON
            = List.of("/try", "/pose", "/cell", "/zones", "/draw/edits", "/draw/undo", "/draw/redo", "/underlay/scale", "/underlay/move");

    private final MockMvc mvc;
    private final DemoPlaces demo;
    private final RequestMappingHandlerMapping mappings;

    Routes(MockMvc mvc, DemoPlaces demo, @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mappings) {
        this.mvc = mvc;
        this.demo = demo;
        this.mappings = mappings;
    }

    /** @param needs what its handler asks for; {@code EDIT} when it asks for nothing of its own */
    record Route(HttpMethod method, String pattern, Role.Permission needs, String act) {}

    List<Route> all() {
        List<Route> routes = new ArrayList<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> each : mappings.getHandlerMethods().entrySet()) {
            RequestMappingInfo info = each.getKey();
            Needs needs = each.getValue().getMethodAnnotation(Needs.class);
            for (String pattern : info.getPatternValues()) {
                for (RequestMethod method : info.getMethodsCondition().getMethods()) {
                    routes.add(new Route(method.asHttpMethod(), pattern, needs == null ? Role.Permission.EDIT : needs.value(),
                            needs == null ? "" : needs.act()));
                }
            }
        }
        return routes;
    }
    private long resident(String household) {
        return demo.jdbc().sql("select min(id) from resident where household_id = :id").param("id", demo.household(household))
                .query(Long.class).optional().orElse(1L);
    }

    MockHttpServletResponse call(Route route, Staff staff, String household) throws Exception {
        String path = route.pattern().replace("{household}", String.valueOf(demo.household(household)))
                .replace("{camera}", String.valueOf(demo.camera(household))).replace("{run}", String.valueOf(run(household)))
                .replace("{trial}", String.valueOf(trial())).replace("{stage}", "ready").replace("{promise}", "1")
                .replace("{resident}", String.valueOf(resident(household)))
                .replace("{leaving}", "1").replace("{known}", "1").replace("{screen}", "1")
                .replace("{token}", "guessed").replace("{reading}", "1").replace("{variant}", "1").replace("{plan}", "1")
                .replace("{network}", "1")
                .replace("{photo}", "1").replace("{key}", "dunmark-post").replace("{rehearsal}", "1").replace("{hub}", "1")
                .replace("{entry}", "1")
                .replace("{person}", "1").replace("{thing}", "1").replace("{list}", "people").replace("{number}", "1")
                .replace("{quotation}", "1")
                .replace("{bill}", "1").replace("{line}", "1").replace("{licence}", "MIT").replace("{step}", "power").replace("{wish}", "1")
                .replace("{passkey}", "1").replace("{kind}", "LIVE_HOME").replace("{count}", "1").replace("{walk}", "1")
                .replace("{view}", "1").replace("{given}", "1").replace("{case}", "1").replace("{term}", "1").replace("{recall}", "1")
                .replace("{step:told|done|back}", "told")
                .replace("{theft}", "1").replace("{seq}", "0").replace("{index}", "0");
        Optional<String> upload = route.method() == HttpMethod.POST
                ? UPLOADS.keySet().stream().filter(route.pattern()::endsWith).findFirst() : Optional.empty();
        AbstractMockHttpServletRequestBuilder<?> request = upload.isPresent()
                ? MockMvcRequestBuilders.multipart(path).file(new MockMultipartFile(UPLOADS.get(upload.get()), "{}".getBytes()))
                : MockMvcRequestBuilders.request(route.method(), path);
        if (route.method() != HttpMethod.GET && TAKES_JSON.stream().anyMatch(route.pattern()::endsWith)) {
            request.contentType(MediaType.APPLICATION_JSON)
                    .content("{\"x\":1,\"y\":1,\"heightM\":2,\"headingDeg\":0,\"tiltDeg\":0,\"version\":0}");
        }
        if (route.method() == HttpMethod.POST) {
            request.param("camera", "1");
        }
        request.param("version", "0").param("way", "HOTSPOT").param("step", "power").param("answer", "ready")
                .param("fault", "PASSWORD_MISTYPED").param("kind", "NOTE").param("on", "true")
                .param("storey", "ground").param("id", firstWall(household));
        request.with(csrf());
        if (staff != null) {
            request.with(user(staff));
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private String firstWall(String household) {
        return demo.jdbc().sql("select plan->'walls'->0->>'id' from household where id = :id").param("id", demo.household(household))
                .query(String.class).single();
    }

    private long run(String household) {
        return demo.jdbc().sql("select coalesce(min(id), 1) from run where household_id = :id").param("id", demo.household(household))
                .query(Long.class).single();
    }

    private long trial() {
        return demo.jdbc().sql("select min(id) from trial").query(Long.class).single();
    }
}
