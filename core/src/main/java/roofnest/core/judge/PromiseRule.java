package roofnest.core.judge;

import roofnest.core.promise.Promise;

/**
 * How one kind of promise is judged and worded. There is one such class a kind; {@link Rules} finds it by the promise's
 * type and refuses to start while a kind has none.
 */
interface PromiseRule<P extends Promise> {
    Class<P> type();

    Sighted judge(P promise, Hearing hearing);

    /** The promise as the household would say it. */
    String wording(P promise, Names names);
}
