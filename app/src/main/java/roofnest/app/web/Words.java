package roofnest.app.web;

import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** What households read, from the message files; a key that is not there is a fault of ours and fails loudly. */
@Component
public class Words {
    private final MessageSource messages;

    Words(MessageSource messages) {
        this.messages = messages;
    }

    /** @throws org.springframework.context.NoSuchMessageException when no file has the key */
    public String say(Language language, String key, Object... args) {
        return messages.getMessage(key, args, language.locale());
    }
}
