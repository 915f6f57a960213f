package org.yewledger.app.platform;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.IntegerSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI document, exact enough that the interface's types are generated from it. */
@Configuration
class ApiDocument {
  static {
    SpringDocUtils.getConfig()
        .replaceWithSchema(BigDecimal.class, new StringSchema().format("decimal").example("12.50"));
  }

  @Bean
  OpenAPI document() {
    return new OpenAPI()
        .info(new Info().title("Yew Ledger").version("1"))
        .servers(List.of(new Server().url("/")))
        .components(new Components().addSchemas("ProblemJson", problem()));
  }

  /** What every refusal looks like, after RFC 9457, with all codes that there are. */
  private static Schema<?> problem() {
    var type = new StringSchema();
    ProblemCodes.ALL.forEach(code -> type.addEnumItem(ProblemCodes.URN + code));
    return new ObjectSchema()
        .description("Every answer of 4xx and 5xx, as application/problem+json.")
        .addProperty("type", type)
        .addProperty("status", new IntegerSchema())
        .addProperty("title", new StringSchema())
        .addProperty("detail", new StringSchema().description("For the person."))
        .addProperty("field", new StringSchema().description("Which part of the request."))
        .addProperty("line", new IntegerSchema().description("Which line of a file, from 1."))
        .required(List.of("type", "status", "detail"));
  }

  /** A record's component is there unless it is marked as nullable. */
  @Bean
  ModelConverter requiredUnlessNullable() {
    return new ModelConverter() {
      @Override
      public @Nullable Schema<?> resolve(
          AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        Class<?> raw = Json.mapper().constructType(type.getType()).getRawClass();
        if (schema != null && raw.isRecord()) {
          Schema<?> model = definition(schema, context);
          if (model != null && model.getProperties() != null) {
            require(raw, model);
          }
        }
        return schema;
      }
    };
  }

  private static @Nullable Schema<?> definition(Schema<?> schema, ModelConverterContext context) {
    String ref = schema.get$ref();
    return ref == null
        ? schema
        : context.getDefinedModels().get(ref.substring(ref.lastIndexOf('/') + 1));
  }

  private static void require(Class<?> raw, Schema<?> model) {
    for (RecordComponent component : raw.getRecordComponents()) {
      String name = component.getName();
      boolean nullable = component.getAnnotatedType().isAnnotationPresent(Nullable.class);
      boolean listed = model.getRequired() != null && model.getRequired().contains(name);
      if (!nullable && !listed && model.getProperties().containsKey(name)) {
        model.addRequiredItem(name);
      }
    }
  }
}
