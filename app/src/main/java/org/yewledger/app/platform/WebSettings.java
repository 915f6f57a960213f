package org.yewledger.app.platform;

import com.fasterxml.jackson.annotation.JsonFormat;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnMissingBean;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;
import tools.jackson.core.StreamWriteFeature;

/** How JSON and the interface's files are served, and what time it is. */
@Configuration
class WebSettings implements WebMvcConfigurer {
  /** Amounts travel as decimal strings: no reader may take them for floating point. */
  @Bean
  JsonMapperBuilderCustomizer amountsAsStrings() {
    return builder ->
        builder
            .withConfigOverride(
                BigDecimal.class,
                override -> override.setFormat(JsonFormat.Value.forShape(JsonFormat.Shape.STRING)))
            .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN);
  }

  @Bean
  @ConditionalOnMissingBean
  Clock clock() {
    return Clock.systemDefaultZone();
  }

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        // The page has a nonce of its own in each answer, so that none may be kept.
        .setCacheControl(CacheControl.noStore())
        .resourceChain(false)
        .addResolver(new InterfacePages())
        .addTransformer(new ContentPolicy());
  }

  @Override
  public void addViewControllers(ViewControllerRegistry registry) {
    registry.addViewController("/").setViewName("forward:/index.html");
  }

  /** Addresses of the interface itself all lead to its one page. */
  private static final class InterfacePages extends PathResourceResolver {
    @Override
    protected @Nullable Resource getResource(String path, Resource location) throws IOException {
      Resource file = super.getResource(path, location);
      boolean page =
          !path.startsWith("api/") && !path.startsWith("actuator/") && !path.contains(".");
      return file == null && page ? super.getResource("index.html", location) : file;
    }
  }
}
