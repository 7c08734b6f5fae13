package roofnest.app.web;

import java.beans.PropertyEditorSupport;

import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.InitBinder;

import roofnest.core.lang.Text;

/** Single words of a request come without the signs that nothing shows; forms refuse them at their field instead. */
@ControllerAdvice
class CleanText {
    @InitBinder
    void clean(WebDataBinder binder) {
        binder.registerCustomEditor(String.class, new PropertyEditorSupport() {
            @Override
            public void setAsText(String typed) {
                setValue(typed == null ? null : Text.cleaned(typed));
            }
        });
    }
}
