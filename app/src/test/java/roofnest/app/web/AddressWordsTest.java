package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.config.EmbeddedValueResolver;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.HandlerExecutionChain;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

import roofnest.app.AppTest;

/** Whoever looks an address up by its words finds what is found without. */
@AppTest
class AddressWordsTest {
    @Autowired private ConfigurableApplicationContext context;
    @Autowired
    @Qualifier("requestMappingHandlerMapping") private RequestMappingHandlerMapping byWords;

    @Test
    void an_address_is_found_as_it_is_without_looking_at_its_words() {
        RequestMappingHandlerMapping plain = new RequestMappingHandlerMapping();
        plain.setApplicationContext(context);
        plain.setEmbeddedValueResolver(new EmbeddedValueResolver(context.getBeanFactory()));
        plain.afterPropertiesSet();
        assertThat(byWords).isInstanceOf(AddressWords.ByWords.class);
        assertThat(plain.getHandlerMethods()).hasSameSizeAs(byWords.getHandlerMethods());

        Random random = new Random(4);
        int found = 0;
        for (RequestMappingInfo info : byWords.getHandlerMethods().keySet()) {
            for (String pattern : info.getPatternValues()) {
                String address = pattern.replaceAll("\\{step:([a-z]+)[^}]*}", "$1").replaceAll("\\{[^}]*}", "7");
                for (String asked : asked(address, random)) {
                    RequestMethod method = random.nextInt(4) == 0 ? RequestMethod.DELETE
                            : info.getMethodsCondition().getMethods().stream().findFirst().orElse(RequestMethod.GET);
                    String expected = found(plain, method, asked);
                    assertThat(found(byWords, method, asked)).as("%s %s", method, asked).isEqualTo(expected);
                    found += expected.startsWith("roofnest") ? 1 : 0;
                }
            }
        }
        assertThat(found).isGreaterThan(byWords.getHandlerMethods().size());
    }

    /** The address, and others that look like it. */
    private static List<String> asked(String address, Random random) {
        List<String> asked = new ArrayList<>(List.of(address, address + "/", address + "/7", address.replaceAll("/[^/]*$", ""),
                address.replace("7", "%37"), address.replace("7", "a%2Fb"), address + ";v=1", "/" + address, address.toUpperCase()));
        int at = random.nextInt(address.length());
        asked.add(address.substring(0, at) + "x" + address.substring(at));
        asked.add(Pattern.compile("[a-z]").matcher(address).replaceFirst(letter -> "%" + Integer.toHexString(letter.group().charAt(0))));
        asked.removeIf(each -> !each.startsWith("/"));
        return asked;
    }

    private static String found(HandlerMapping mapping, RequestMethod method, String address) {
        MockHttpServletRequest request = new MockHttpServletRequest(method.name(), address);
        request.addHeader("Accept", MediaType.ALL_VALUE);
        ServletRequestPathUtils.parseAndCache(request);
        try {
            HandlerExecutionChain chain = mapping.getHandler(request);
            return chain == null ? "none" : chain.getHandler().toString() + " " + request.getAttribute(
                    HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        } catch (Exception refused) {
            return refused.getClass().getName();
        }
    }
}
