module Magpie
  class CommandLine
    # What a command is given: options, notations, files, lines.
    module Arguments
      PATHS = %w[--flat --linked --profile].freeze # the options that name a file

      private

      # Takes "--name value" out of the arguments.
      def options(*names)
        found = {}
        names.each do |name|
          next unless (index = @arguments.index(name))
          _, value = @arguments.slice!(index, 2)
          raise Error, "#{name} needs a value" unless value
          found[name] = PATHS.include?(name) ? value : value.scrub
        end
        found
      end

      def one(what) = exactly(1, what).first

      # @return [Array<String>] texts
      def exactly(count, what) = given(count, what).map(&:scrub)

      # The name of a file is bytes, in whatever encoding it was once written.
      def path(what) = given(1, what).first

      def name(path) = ::File.basename(path).scrub

      def given(count, what)
        raise Error, "expected #{what}, found #{Text.count(@arguments.size, "argument")}" unless @arguments.size == count
        @arguments
      end

      def file(path)
        ::File.binread(path)
      rescue SystemCallError => error
        raise Error, "#{path} cannot be read: #{reason(error)}"
      end

      def write(path, text)
        ::File.binwrite(path, text)
      rescue SystemCallError => error
        raise Error, "#{path} cannot be written: #{reason(error)}"
      end

      # As the system says it, without our own method and the path.
      def reason(error) = error.class.new.message.downcase

      # Those of standard input that are not empty.
      # @yieldparam line [String]
      # @yieldparam number [Integer] of the line, from 1
      def each_line
        @input.each_line.with_index(1) do |line, number|
          line = line.scrub.chomp
          yield line, number unless line.strip.empty?
        rescue Error => error
          raise error.at("line #{number}")
        end
      end
    end
  end
end
