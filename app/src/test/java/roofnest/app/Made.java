package roofnest.app;

import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

/** Asks for a file until it is made, as the page that waits for it does. Each look waits a moment by itself. */
public final class Made {
    private static final int MOST_LOOKS = 100;

    private Made() {}

    public static MockHttpServletResponse file(MockMvc mvc, AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        for (int look = 0; look < MOST_LOOKS; look++) {
            MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
            if (response.getStatus() != HttpStatus.ACCEPTED.value()) {
                return response;
            }
        }
        throw new AssertionError("it was never made");
    }
}
