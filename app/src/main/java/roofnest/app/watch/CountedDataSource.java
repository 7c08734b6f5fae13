package roofnest.app.watch;

import javax.sql.DataSource;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.QueryExecutionListener;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;

import java.util.List;

/** Puts the counting of statements round the database. */
@Configuration(proxyBeanMethods = false)
class CountedDataSource {
    @Bean
    static BeanPostProcessor countStatements(ObjectProvider<Statements> statements) {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source && name.equals("dataSource")
                        ? ProxyDataSourceBuilder.create(source).listener(later(statements)).build() : bean;
            }
        };
    }

    /** The database is there before what counts; its first statements are its own migrations. */
    private static QueryExecutionListener later(ObjectProvider<Statements> statements) {
        return new QueryExecutionListener() {
            @Override
            public void beforeQuery(ExecutionInfo execution, List<QueryInfo> queries) {
                // Only what was asked counts.
            }

            @Override
            public void afterQuery(ExecutionInfo execution, List<QueryInfo> queries) {
                Statements counting = statements.getIfAvailable();
                if (counting != null) {
                    counting.afterQuery(execution, queries);
                }
            }
        };
    }
}
