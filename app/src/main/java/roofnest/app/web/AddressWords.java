package roofnest.app.web;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

import org.springframework.boot.webmvc.autoconfigure.WebMvcRegistrations;
import org.springframework.http.server.PathContainer;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

import jakarta.servlet.http.HttpServletRequest;

/**
 * Whose page an address is is found among some four hundred, on every request and every tried pose. Those that differ from it in how many
 * words they have, or in one of their fixed words, are passed over before method, headers and pattern are looked at one by one.
 */
@Component
class AddressWords implements WebMvcRegistrations {
    @Override
    public RequestMappingHandlerMapping getRequestMappingHandlerMapping() {
        return new ByWords();
    }

    static final class ByWords extends RequestMappingHandlerMapping {
        private final Map<RequestMappingInfo, Shape> shapes = new ConcurrentHashMap<>();
        private final ThreadLocal<String[]> asked = new ThreadLocal<>();

        @Override
        protected HandlerMethod getHandlerInternal(HttpServletRequest request) throws Exception {
            asked.set(words(ServletRequestPathUtils.getParsedRequestPath(request).pathWithinApplication()));
            try {
                return super.getHandlerInternal(request);
            } finally {
                asked.remove();
            }
        }

        @Override
        protected RequestMappingInfo getMatchingMapping(RequestMappingInfo info, HttpServletRequest request) {
            String[] words = asked.get();
            return words == null || shapes.computeIfAbsent(info, Shape::of).mayBe(words) ? super.getMatchingMapping(info, request) : null;
        }

        private static String[] words(PathContainer path) {
            return path.elements().stream().filter(PathContainer.PathSegment.class::isInstance)
                    .map(word -> ((PathContainer.PathSegment) word).valueToMatch()).toArray(String[]::new);
        }
    }

    /** @param words of an address of this page, null where any word does; null for a page of which that cannot be said */
    private record Shape(String[] words) {
        static Shape of(RequestMappingInfo info) {
            if (info.getPatternValues().size() != 1) {
                return new Shape(null);
            }
            String pattern = info.getPatternValues().iterator().next();
            if (!pattern.startsWith("/") || pattern.contains("*") || pattern.contains("?")) {
                return new Shape(null);
            }
            String[] words = pattern.substring(1).split("/", -1);
            for (int i = 0; i < words.length; i++) {
                words[i] = words[i].contains("{") ? null : words[i];
            }
            return new Shape(words.length == 1 && "".equals(words[0]) ? new String[0] : words);
        }

        boolean mayBe(String[] asked) {
            if (words == null) {
                return true;
            }
            if (words.length != asked.length) {
                return false;
            }
            // The last words differ more than the first ones do.
            for (int i = words.length - 1; i >= 0; i--) {
                if (words[i] != null && !words[i].equals(asked[i])) {
                    return false;
                }
            }
            return true;
        }
    }
}
